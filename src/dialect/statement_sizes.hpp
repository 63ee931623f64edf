// The sizes of arrays among statements: sizeof(a) / sizeof(a[0]).
#pragma once

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

namespace inky::inline v1 {

class ArraySizes {
 public:
  void add(std::string_view name, std::size_t bytes, std::size_t item_bytes) {
    sizes_.push_back({std::string(name), bytes, item_bytes});
  }
  // Writes the sizes that a part of a source asks for in their place. The source keeps its length.
  void put_into(std::string& source, std::size_t from, std::size_t to) const;

 private:
  struct Size {
    std::string name;
    std::size_t bytes;
    std::size_t item_bytes;
  };
  std::vector<Size> sizes_;
};

}  // namespace inky::inline v1
