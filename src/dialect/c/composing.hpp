// Helpers in C that change a text in its place.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"
#include "dialect/family/time_letters.hpp"

namespace inky::inline v1::c_language {

inline constexpr std::string_view fill_source =
    R"code(// Fills a text up to a width: `halves` of what is missing go before it.
static void pad(char *text, size_t size, size_t width, const char *fill, size_t halves) {
  size_t length = strlen(text), missing = length < width ? width - length : 0;
  for (size_t i = 0; i < missing; ++i)
    insert(text, size, i < missing * halves / 2 ? 0 : strlen(text), fill);
}
)code";

inline constexpr ComposingForm composing = {
    .carrier = "c",
    .unit = WidthUnit::bytes,
    .in_steps = true,
    .text_name = "@V_text",
    .text_of = "char @V_text[@B];\nsnprintf(@V_text, sizeof @V_text, \"@S\", @V);",
    .print = "fputs(@T, stdout);",
    .before = "#include <ctype.h>\n#include <stdio.h>\n#include <stdlib.h>\n#include <string.h>\n",
    .common = R"code(// Puts `piece` into a text of at most `size` bytes.
static void insert(char *text, size_t size, size_t at, const char *piece) {
  size_t length = strlen(text), more = strlen(piece);
  if (length + more >= size) abort();
  memmove(text + at + more, text + at, length - at + 1);
  memcpy(text + at, piece, more);
}
)code",
    .zeros = {"with_zeros(@T, sizeof @T, @D);",
              R"code(// Zeros in front of a number, up to `count` digits.
static void with_zeros(char *text, size_t size, size_t count) {
  size_t sign = text[0] == '-';
  while (strlen(text) - sign < count) insert(text, size, sign, "0");
}
)code"},
    .marks = {"with_marks(@T, sizeof @T, @G, @P);",
              R"code(// A mark between thousands, and a decimal mark.
static void with_marks(char *text, size_t size, const char *group, const char *point) {
  size_t first = text[0] == '-', end = first + strspn(text + first, "0123456789");
  if (text[end] == '.') {
    memmove(text + end, text + end + 1, strlen(text + end));
    insert(text, size, end, point);
  }
  for (size_t at = end; at > first + 3; at -= 3) insert(text, size, at - 3, group);
}
)code"},
    .sign = {"with_sign(@T, sizeof @T, @U, @O, @C);",
             R"code(// `plus` in front of a number, or `open` and `close` for the minus.
static void with_sign(char *text, size_t size, const char *plus, const char *open,
                      const char *close) {
  if (text[0] != '-') {
    insert(text, size, 0, plus);
    return;
  }
  memmove(text, text + 1, strlen(text));
  insert(text, size, 0, open);
  insert(text, size, strlen(text), close);
}
)code"},
    .behind = {"strcat(@T, @G);"},
    .inside = {"fill_inside(@T, sizeof @T, @X, @D, @F);",
               R"code(// A prefix behind the sign of a number, and what fills it up to a width.
static void fill_inside(char *text, size_t size, const char *prefix, size_t width,
                        const char *fill) {
  size_t sign = text[0] != '\0' && strchr("-+ (", text[0]) != NULL;
  insert(text, size, sign, prefix);
  while (strlen(text) < width) insert(text, size, sign + strlen(prefix), fill);
}
)code"},
    .pad_left = {"pad(@T, sizeof @T, @D, @F, 2);", fill_source},
    .pad_right = {"pad(@T, sizeof @T, @D, @F, 0);", fill_source},
    .pad_center = {"pad(@T, sizeof @T, @D, @F, 1);", fill_source},
    .cut = {"@T[@D] = '\\0';"},
    .percent = {"percent(@T, sizeof @T);",
                R"code(// Moves the point of a number two places, and adds a percent sign.
static void percent(char *text, size_t size) {
  char *point = strchr(text, '.'), *first = text + (text[0] == '-');
  if (point == NULL) return;
  memmove(point, point + 1, 2);
  point[2] = point[3] == '\0' ? '\0' : '.';
  while (first[0] == '0' && isdigit((unsigned char)first[1]))
    memmove(first, first + 1, strlen(first));
  insert(text, size, strlen(text), "%");
}
)code"},
    // Text for a program of the reader, which calls what its language has.
    .engineering = {"engineering(@T, sizeof @T);",
                    R"code(// d.ddde+xx with an exponent in steps of three.
static void engineering(char *text, size_t size) {
  char *mark = strpbrk(text, "eE"), tail[16];
  if (mark == NULL) return;
  int exponent = atoi(mark + 1), lead = (exponent % 3 + 3) % 3;
  snprintf(tail, sizeof tail, "%c%+03d", *mark, exponent - lead);
  *mark = '\0';
  size_t behind = (text[0] == '-') + 1;
  if (text[behind] == '.') memmove(text + behind, text + behind + 1, strlen(text + behind));
  behind += (size_t)lead;
  while (strlen(text) < behind) insert(text, size, strlen(text), "0");
  if (strlen(text) > behind) insert(text, size, behind, ".");
  insert(text, size, strlen(text), tail);
}
)code"},
    .thousands =
        {"{\n  char one[@B], two[@B];\n  snprintf(one, sizeof one, \"@a\", @V);\n"
         "  snprintf(two, sizeof two, \"@b\", @V);\n  for_thousands(@T, sizeof @T, one, two);\n}",
         R"code(// Of a number with some places, one more and two more: what engineering() keeps these of.
static int exponent_of(const char *text) {
  const char *mark = strpbrk(text, "eE");
  return mark == NULL ? 0 : atoi(mark + 1);
}
static void for_thousands(char *text, size_t size, const char *one, const char *two) {
  const char *texts[] = {text, one, two};
  int exponent = exponent_of(two), lead = (exponent % 3 + 3) % 3;
  int carries = exponent_of(texts[lead]) != exponent;
  if (lead != 0 && !(carries && lead == 2)) strcpy(text, texts[lead]);
  if (carries && lead < 2 && strchr(text, '.') != NULL)
    insert(text, size, (size_t)(strpbrk(text, "eE") - text), "0");
}
)code"},
    .plain = {"plain(@T, sizeof @T);", R"code(// d.ddde+xx without an exponent.
static void plain(char *text, size_t size) {
  char *mark = strpbrk(text, "eE"), *point;
  if (mark == NULL) return;
  int exponent = atoi(mark + 1);
  *mark = '\0';
  if ((point = strchr(text, '.')) != NULL) memmove(point, point + 1, strlen(point));
  size_t first = text[0] == '-', behind = first + 1;
  for (; exponent < 0; ++exponent) insert(text, size, first, "0");
  behind += (size_t)exponent;
  while (strlen(text) < behind) insert(text, size, strlen(text), "0");
  if (strlen(text) > behind) insert(text, size, behind, ".");
}
)code"},
    .in_base = {"char @V_text[@B];\nin_base(@V_text, sizeof @V_text, @V, @D);",
                R"code(// A whole number in a base from 2 to 36.
static void in_base(char *text, size_t size, long long value, unsigned base) {
  unsigned long long rest = (unsigned long long)value;
  if (value < 0) rest = 0 - rest;
  text[0] = '\0';
  do {
    char digit[] = {"0123456789abcdefghijklmnopqrstuvwxyz"[rest % base], '\0'};
    insert(text, size, 0, digit);
    rest /= base;
  } while (rest != 0);
  if (value < 0) insert(text, size, 0, "-");
}
)code"},
    .moment =
        "char @V_text[256];\nstrftime(@V_text, sizeof @V_text, \"@M\", &@V);\nprintf(\"%s\", "
        "@V_text);",
    .moment_letters = family::write_strftime,
    .upper = {"upper(@T);", R"code(static void upper(char *text) {
  for (; *text != '\0'; ++text) *text = (char)toupper((unsigned char)*text);
}
)code"},
    .truth = {"char @V_text[@B];\nstrcpy(@V_text, @V ? \"true\" : \"false\");"},
};

}  // namespace inky::inline v1::c_language
