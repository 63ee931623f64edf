// What the rendering of every formatting call of R needs: its arguments matched to names, vectors,
// and why it fails.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "../family/named_values.hpp"
#include "call.hpp"
#include "values.hpp"
#include "vector_format.hpp"

namespace inky::inline v1::r_language {

// A vector of R.
struct Vector {
  Mode mode = Mode::logical;
  std::vector<Value> items;  // numbers, truth values, texts, or nil for NA
};

struct CallRequest {
  const TemplateContent& parsed;
  const Call& call;
  std::span<const Value> values;
  WidthUnit unit;                // what widths count
  std::string_view locale = {};  // of names in dates; empty: the usual one
};

// format() and prettyNum(), and formatC(). An outcome where there are no texts.
std::optional<Outcome> render_format(const CallRequest& request, Report* report,
                                     std::vector<std::string>& texts);
std::optional<Outcome> render_pretty_num(const CallRequest& request, Report* report,
                                         std::vector<std::string>& texts);
std::optional<Outcome> render_format_c(const CallRequest& request, Report* report,
                                       std::vector<std::string>& texts);

class CallRendering {
 public:
  CallRendering(const CallRequest& request, Report* report)
      : request_(request), named_(request.call.names, request.values), report_(report) {}

  // The texts of all elements, or why there are none.
  std::optional<Outcome> render(std::vector<std::string>& texts) {
    if (!run(texts)) return std::move(trouble_);
    if (report_ != nullptr) note_spare();
    return std::nullopt;
  }

 protected:
  ~CallRendering() = default;
  virtual bool run(std::vector<std::string>& texts) = 0;

  bool fail(std::string why, Span span);
  bool not_yet(std::string what, Span span);
  Span whole() const { return {0, request_.parsed.source.size()}; }

  int columns_of(std::string_view text) const { return width_of(text, request_.unit); }
  std::string padded(std::string_view text, int width, std::string_view justify) const;
  void note(Code code, std::string message, Span span);

  void note_spare();

  // ---- Arguments ----

  // The argument of this name, or at this place among those without: R matches names first, then
  // beginnings of names, then places. Null where it is left out.
  bool match(std::span<const std::string_view> formals, bool has_dots);

  bool take_vector(const Expression& expression, Vector& out);

  bool take_value(const Value& value, Span span, Vector& out);

  bool negate(Value& value, Span span);

  // One number, as an integer; nothing where the argument is left out or NULL.
  bool take_count(std::size_t at, std::optional<int>& out);
  bool over_limit(Span span);

  // Elements of this width, as many as given, all together.
  bool within_output(std::size_t count, int width);

  bool take_text(std::size_t at, std::string& out);

  bool take_x(Vector& out);

  // TRUE or FALSE; what stays as it is where the argument is left out.
  bool take_truth(std::size_t at, bool& out);
  bool take_marks(std::size_t mark, std::size_t interval, std::size_t point, Marks& out);

  // Whether what is formatted is a date, or a vector of dates; and the texts of the whole call then.
  bool shows_dates();
  bool run_dates(std::vector<std::string>& texts);

  // ---- What the calls share ----

  static std::vector<std::optional<BinaryReal>> reals_of(const Vector& vector);

  bool format_texts(const Vector& x, int width, std::string_view justify,
                    std::vector<std::string>& texts);

  // Marks, and what they do to the width: all made alike, or each kept as wide as it was.
  void mark(const Marks& marks, bool common, std::vector<std::string>& texts) const;

  CallRequest request_;
  NamedValues named_;
  Report* report_;
  Outcome trouble_;
  std::vector<const Expression*> matched_;  // the argument of each formal
};

}  // namespace inky::inline v1::r_language
