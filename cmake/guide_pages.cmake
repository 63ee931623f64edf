# Writes FILE: the pages of docs/guide as texts of C++, in the order of its README.
function(inky_guide_pages file)
  set(folder ${PROJECT_SOURCE_DIR}/docs/guide)
  file(READ ${folder}/README.md index)
  string(REGEX MATCHALL "\\[[a-z-]+\\]\\([a-z-]+\\.md\\)" links "${index}")
  set(rows "")
  foreach(link ${links})
    string(REGEX REPLACE "\\[([a-z-]+)\\].*" "\\1" name "${link}")
    file(READ ${folder}/${name}.md text)
    string(APPEND rows "    {\"${name}\", R\"guide_page(${text})guide_page\"},\n")
    set_property(DIRECTORY APPEND PROPERTY CMAKE_CONFIGURE_DEPENDS ${folder}/${name}.md)
  endforeach()
  set_property(DIRECTORY APPEND PROPERTY CMAKE_CONFIGURE_DEPENDS ${folder}/README.md)
  file(CONFIGURE OUTPUT ${file} CONTENT
"// Made from docs/guide; edit the pages there.
#include \"guide.hpp\"

namespace inky::cli {

namespace {
constexpr GuidePage pages[] = {
@rows@};
}  // namespace

std::span<const GuidePage> guide_pages() {
  return pages;
}

}  // namespace inky::cli
" @ONLY)
endfunction()
