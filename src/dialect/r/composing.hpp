// Helpers in R that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"
#include "dialect/family/time_letters.hpp"

namespace inky::inline v1 {

inline constexpr ComposingForm r_composing = {
    .carrier = "r",
    .unit = WidthUnit::code_points,
    .text_of = "sprintf(\"@S\", @V)",
    .print = "cat(@T)",
    .zeros = {"with_zeros(@T, @D)", R"code(# Zeros in front of a number, up to `count` digits.
with_zeros <- function(text, count) {
  sign <- if (startsWith(text, "-")) "-" else ""
  digits <- sub("^-", "", text)
  paste0(sign, strrep("0", max(0, count - nchar(digits))), digits)
}
)code"},
    .marks = {"with_marks(@T, @G, @P)", R"code(# A mark between thousands, and a decimal mark.
with_marks <- function(text, group, point) {
  whole <- sub("[.].*", "", text)
  rest <- substring(text, nchar(whole) + 2)
  has_point <- nchar(text) > nchar(whole)
  whole <- gsub("(\\d)(?=(\\d{3})+$)", paste0("\\1", group), whole, perl = TRUE)
  paste0(whole, if (has_point) point, rest)
}
)code"},
    .sign = {"with_sign(@T, @U, @O, @C)",
             R"code(# `plus` in front of a number, or `open` and `close` for the minus.
with_sign <- function(text, plus, open, close) {
  if (startsWith(text, "-")) paste0(open, substring(text, 2), close) else paste0(plus, text)
}
)code"},
    .behind = {"paste0(@T, @G)"},
    .inside = {"fill_inside(@T, @X, @D, @F)",
               R"code(# A prefix behind the sign of a number, and what fills it up to a width.
fill_inside <- function(text, prefix, width, fill) {
  sign <- sub("^([-+ (]?).*", "\\1", text)
  missing <- max(0, width - nchar(prefix) - nchar(text))
  paste0(sign, prefix, strrep(fill, missing), substring(text, nchar(sign) + 1))
}
)code"},
    .pad_left = {"fill_left(@T, @D, @F)", R"code(# Fills a text up to a width, on the left.
fill_left <- function(text, width, fill) paste0(strrep(fill, max(0, width - nchar(text))), text)
)code"},
    .pad_right = {"fill_right(@T, @D, @F)", R"code(# Fills a text up to a width, on the right.
fill_right <- function(text, width, fill) paste0(text, strrep(fill, max(0, width - nchar(text))))
)code"},
    .pad_center = {"fill_both(@T, @D, @F)", R"code(# Fills a text up to a width, on both sides.
fill_both <- function(text, width, fill) {
  missing <- max(0, width - nchar(text))
  paste0(strrep(fill, missing %/% 2), text, strrep(fill, missing - missing %/% 2))
}
)code"},
    .cut = {"substring(@T, 1, @D)"},
    .percent = {"percent(@T)",
                R"code(# Moves the point of a number two places, and adds a percent sign.
percent <- function(text) {
  if (!grepl("^-?[0-9]+[.][0-9]{2}", text)) return(text)
  moved <- sub("([0-9]+)[.]([0-9]{2})([0-9]*)", "\\1\\2.\\3", text)
  paste0(sub("^(-?)0+(?=\\d)", "\\1", sub("[.]$", "", moved), perl = TRUE), "%")
}
)code"},
    .engineering = {"engineering(@T)", R"code(# d.ddde+xx with an exponent in steps of three.
engineering <- function(text) {
  part <- regmatches(text, regexec("^(-?[0-9])[.]?([0-9]*)([eE])([-+]?[0-9]+)$", text))[[1]]
  if (length(part) == 0) return(text)
  exponent <- as.integer(part[5])
  lead <- exponent %% 3L
  digits <- paste0(part[3], strrep("0", max(0, lead - nchar(part[3]))))
  rest <- substring(digits, lead + 1)
  paste0(part[2], substring(digits, 1, lead), if (rest != "") ".", rest, part[4],
         sprintf("%+03d", exponent - lead))
}
)code"},
    .thousands =
        {"for_thousands(@T, @1, @2)",
         R"code(# Of a number with some places, one more and two more: what engineering() keeps these of.
for_thousands <- function(none, one, two) {
  size <- function(text) as.integer(c(strsplit(text, "[eE]")[[1]], "0")[2])
  lead <- size(two) %% 3L
  text <- c(none, one, two)[lead + 1L]
  if (size(text) == size(two)) return(text)
  if (lead == 2L) return(none)
  if (grepl(".", text, fixed = TRUE)) sub("([eE])", "0\\1", text) else text
}
)code"},
    .plain = {"plain(@T)", R"code(# d.ddde+xx without an exponent.
plain <- function(text) {
  part <- regmatches(text, regexec("^(-?)([0-9])[.]?([0-9]*)[eE]([-+]?[0-9]+)$", text))[[1]]
  if (length(part) == 0) return(text)
  exponent <- as.integer(part[5])
  behind <- max(exponent, 0) + 1
  digits <- paste0(strrep("0", max(0, -exponent)), part[3], part[4])
  digits <- paste0(digits, strrep("0", max(0, behind - nchar(digits))))
  rest <- substring(digits, behind + 1)
  paste0(part[2], substring(digits, 1, behind), if (rest != "") ".", rest)
}
)code"},
    .in_base = {"in_base(@V, @D)", R"code(# A whole number in a base from 2 to 36.
in_base <- function(value, base) {
  text <- ""
  rest <- abs(value)
  repeat {
    text <- paste0(c(0:9, letters)[rest %% base + 1], text)
    rest <- rest %/% base
    if (rest == 0) break
  }
  if (value < 0) paste0("-", text) else text
}
)code"},
    .moment = "cat(format(@V, \"@M\"))",
    .moment_letters = family::write_standard_strftime,
    .upper = {"toupper(@T)"},
    .truth = {"(if (@V) \"true\" else \"false\")"},
};

}  // namespace inky::inline v1
