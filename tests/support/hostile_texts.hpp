// Texts that want out of their literal, their field or their cell, in one language or another.
#pragma once

#include <string>
#include <vector>

namespace support {

inline std::vector<std::string> hostile_texts() {
  std::vector<std::string> out = {"\"",
                                  "\\",
                                  "\\\"",
                                  "'",
                                  "\n",
                                  "\t",
                                  "\x1b[31m",
                                  "%d",
                                  "%n%s",
                                  "{}",
                                  "{0}",
                                  "{{",
                                  "~A",
                                  "$x",
                                  "${x}",
                                  "#{x}",
                                  "`x`",
                                  "`",
                                  "*/",
                                  "//",
                                  "<?php",
                                  "?>",
                                  "</script>",
                                  "\?\?/",
                                  "\?\?=",
                                  "\"); x(\"",
                                  "\\0",
                                  "\\x41",
                                  "\\u0041",
                                  "\"\"\"",
                                  "'''",
                                  "Zinkweiß",
                                  "墨",
                                  "\xE2\x80\xAE",
                                  "\xE2\x80\xA8",
                                  "\xE2\x80\xA9",
                                  "\xC2\x85",
                                  "e\xCC\x81",
                                  "\xF0\x9F\x96\xA8",
                                  "a\rb",
                                  "\x7f",
                                  "",
                                  " ",
                                  "  two  ",
                                  "; rm x",
                                  "$(x)",
                                  "&x;",
                                  "--",
                                  "#|",
                                  "|#",
                                  "%{",
                                  "@\"",
                                  "$\"",
                                  "R\"(",
                                  ")\"",
                                  "\\N{DIGIT ONE}",
                                  "{{x}}",
                                  "1\\",
                                  "\r\n",
                                  "\\\n",
                                  "a\\\nb",
                                  "\xEF\xBB\xBF",
                                  "\xC2\xA0",
                                  "\xE2\x80\x8B",
                                  "\xF0\x9F\x91\xA9\xE2\x80\x8D\xF0\x9F\x94\xAC",
                                  "\xF0\x9F\x87\xA9\xF0\x9F\x87\xAA",
                                  "\xE2\x9D\xA4\xEF\xB8\x8F",
                                  "\xEF\xBC\xA1",
                                  "\xED\x95\x9C",
                                  "\xE0\xA4\xA8\xE0\xA5\x8D",
                                  "-1",
                                  "1e5",
                                  "NaN",
                                  "null",
                                  "=1+1",
                                  "[1, 2]",
                                  "(1 2)",
                                  "'(x)",
                                  "x;y",
                                  "%%",
                                  "%1$s",
                                  "{:>9}"};
  // What follows a backslash, a percent sign or a dollar may make more of it, and so may a second.
  for (char c = '!'; c <= '~'; ++c) {
    const std::string one(1, c);
    const bool is_word = ('0' <= c && c <= '9') || ('A' <= c && c <= 'Z') || ('a' <= c && c <= 'z');
    out.push_back("\\" + one);
    if (is_word) continue;
    out.push_back("%" + one);
    out.push_back("$" + one);
    out.push_back(one + one + "a");
  }
  // An escape by number must not take the digit behind it.
  for (char c = 1; c < ' '; ++c) {
    out.push_back(std::string(1, c) + "7");
    out.push_back(std::string(1, c) + "f");
  }
  for (const char* mark :
       {"\xE2\x80\x8E", "\xE2\x80\x8F", "\xD8\x9C", "\xE2\x80\xAA", "\xE2\x80\xAB", "\xE2\x80\xAC",
        "\xE2\x80\xAD", "\xE2\x81\xA6", "\xE2\x81\xA7", "\xE2\x81\xA8", "\xE2\x81\xA9"})
    out.push_back(std::string("a") + mark + "7");
  return out;
}

}  // namespace support
