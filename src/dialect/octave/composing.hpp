// Helpers in Octave that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dates.hpp"
#include "dialect/composing_form.hpp"

namespace inky::inline v1::octave {

inline constexpr ComposingForm composing = {
    .carrier = "octave",
    .unit = WidthUnit::bytes,
    .text_of = "sprintf(\"@S\", @V)",
    .print = "fputs(stdout, @T);",
    // A file that begins with a function would be a file of functions.
    .before = "1;\n",
    .zeros = {"with_zeros(@T, @D)", R"code(% Zeros in front of a number, up to `count` digits.
function out = with_zeros(text, count)
  sign = double(strncmp(text, "-", 1));
  missing = max(0, count + sign - numel(text));
  out = [text(1:sign), repmat("0", 1, missing), text(sign + 1:end)];
endfunction
)code"},
    .marks = {"with_marks(@T, @G, @P)", R"code(% A mark between thousands, and a decimal mark.
function out = with_marks(text, group, point)
  parts = strsplit(text, ".");
  parts{1} = regexprep(parts{1}, '(\d)(?=(\d{3})+$)', ["$1" group]);
  out = strjoin(parts, point);
endfunction
)code"},
    .sign = {"with_sign(@T, @U, @O, @C)",
             R"code(% `plus` in front of a number, or `opening` and `closing` for the minus.
function out = with_sign(text, plus, opening, closing)
  if strncmp(text, "-", 1)
    out = [opening, text(2:end), closing];
  else
    out = [plus, text];
  endif
endfunction
)code"},
    .behind = {"[@T, @G]"},
    .inside = {"fill_inside(@T, @X, @D, @F)",
               R"code(% A prefix behind the sign of a number, and what fills it up to a width.
function out = fill_inside(text, prefix, width, fill)
  sign = double(! isempty(text) && any(text(1) == "-+ ("));
  missing = max(0, width - numel(prefix) - numel(text));
  out = [text(1:sign), prefix, repmat(fill, 1, missing), text(sign + 1:end)];
endfunction
)code"},
    .pad_left = {"fill_left(@T, @D, @F)", R"code(% Fills a text up to a width, on the left.
function out = fill_left(text, width, fill)
  out = [repmat(fill, 1, max(0, width - numel(text))), text];
endfunction
)code"},
    .pad_right = {"fill_right(@T, @D, @F)", R"code(% Fills a text up to a width, on the right.
function out = fill_right(text, width, fill)
  out = [text, repmat(fill, 1, max(0, width - numel(text)))];
endfunction
)code"},
    .pad_center = {"fill_both(@T, @D, @F)", R"code(% Fills a text up to a width, on both sides.
function out = fill_both(text, width, fill)
  missing = max(0, width - numel(text));
  left = floor(missing / 2);
  out = [repmat(fill, 1, left), text, repmat(fill, 1, missing - left)];
endfunction
)code"},
    .cut = {"cut(@T, @D)", R"code(function out = cut(text, count)
  out = text(1:min(count, numel(text)));
endfunction
)code"},
    .percent = {"percent(@T)",
                R"code(% Moves the point of a number two places, and adds a percent sign.
function out = percent(text)
  out = text;
  point = find(text == ".");
  if isempty(point), return, endif
  whole = text([1:point - 1, point + 1:point + 2]);
  rest = text(point + 3:end);
  if ! isempty(rest), rest = ["." rest]; endif
  out = [regexprep(whole, '^(-?)0+(?=\d)', '$1'), rest, "%"];
endfunction
)code"},
    // Text for a program of the reader, which calls what its language has.
    .engineering = {"engineering(@T)", R"code(% d.ddde+xx with an exponent in steps of three.
function out = engineering(text)
  out = text;
  mark = find(text == "e" | text == "E");
  if isempty(mark), return, endif
  exponent = str2double(text(mark + 1:end));
  sign = double(strncmp(text, "-", 1));
  digits = text(sign + 1:mark - 1);
  digits(digits == ".") = [];
  lead = mod(exponent, 3) + 1;
  digits = [digits, repmat("0", 1, max(0, lead - numel(digits)))];
  rest = digits(lead + 1:end);
  if ! isempty(rest), rest = ["." rest]; endif
  out = [text(1:sign), digits(1:lead), rest, sprintf("%s%+03d", text(mark), exponent - lead + 1)];
endfunction
)code"},
    .thousands =
        {"for_thousands(@T, @1, @2)",
         R"code(% Of a number with some places, one more and two more: what engineering keeps these of.
function out = for_thousands(none, one, two)
  texts = {none, one, two};
  sizes = cellfun(@(text) sum(str2double(regexp(text, "(?<=[eE]).*", "match"))), texts);
  lead = mod(sizes(3), 3) + 1;
  out = texts{lead};
  if sizes(lead) == sizes(3), return, endif
  if lead == 3, out = none; elseif any(out == "."), out = regexprep(out, "([eE])", "0$1"); endif
endfunction
)code"},
    .plain = {"plain(@T)", R"code(% d.ddde+xx without an exponent.
function out = plain(text)
  out = text;
  mark = find(text == "e" | text == "E");
  if isempty(mark), return, endif
  exponent = str2double(text(mark + 1:end));
  sign = double(strncmp(text, "-", 1));
  digits = text(sign + 1:mark - 1);
  digits(digits == ".") = [];
  behind = max(exponent, 0) + 1;
  digits = [repmat("0", 1, max(0, -exponent)), digits];
  digits = [digits, repmat("0", 1, max(0, behind - numel(digits)))];
  rest = digits(behind + 1:end);
  if ! isempty(rest), rest = ["." rest]; endif
  out = [text(1:sign), digits(1:behind), rest];
endfunction
)code"},
    .in_base = {"in_base(@V, @D)", R"code(% A whole number in a base from 2 to 36.
function out = in_base(value, base)
  out = lower(dec2base(abs(double(value)), base));
  if value < 0, out = ["-" out]; endif
endfunction
)code"},
    // Text for a program of the reader, which calls what its language has.
    .hexadecimal = {"in_hexadecimal(@V)",
                    R"code(% A number in base 16, with its binary exponent.
function out = in_hexadecimal(value)
  if ! isfinite(value), out = lower(sprintf("%f", value)); return; endif
  digits = num2hex(value);
  stored = mod(hex2dec(digits(1:3)), 2048);
  fraction = regexprep(digits(4:16), "0+$", "");
  exponent = stored - 1023;
  if stored == 0, exponent = -1022 * ! isempty(fraction); endif
  out = [repmat("-", 1, signbit(value) != 0), "0x", "0" + (stored > 0), repmat(".", 1, ! isempty(fraction)), fraction, sprintf("p%+d", exponent)];
endfunction
)code"},
    // Text for a program of the reader, which calls what its language has.
    .shortest = {"shortest(@V)",
                 R"code(% The fewest digits that read back, without an exponent where that is short.
function out = shortest(value)
  out = lower(sprintf("%f", value));
  if ! isfinite(value), return; endif
  for digits = 0:16
    out = sprintf("%.*e", digits, value);
    if str2double(out) == value, break; endif
  endfor
  exponent = str2double(out(index(out, "e") + 1:end));
  if exponent >= -5 && exponent < 17, out = sprintf("%.*f", max(digits - exponent, 0), value); endif
endfunction
)code"},
    .moment = "printf(\"%s\", datestr(@V, \"@M\"));",
    .moment_letters = write_datestr,
    .upper = {"toupper(@T)"},
    .truth = {"truth(@V)", R"code(function out = truth(value)
  if value, out = "true"; else, out = "false"; endif
endfunction
)code"},
};

}  // namespace inky::inline v1::octave
