// Helpers in JavaScript that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"

namespace inky::inline v1::javascript {

inline constexpr ComposingForm composing = {
    .carrier = "javascript",
    .unit = WidthUnit::utf16_units,
    .text_of = "`@S`",
    .print = "process.stdout.write(@T);",
    .zeros = {"withZeros(@T, @D)", R"code(// Zeros in front of a number, up to `count` digits.
function withZeros(text, count) {
  const sign = text.startsWith("-") ? "-" : "";
  return sign + text.slice(sign.length).padStart(count, "0");
}
)code"},
    .marks = {"withMarks(@T, @G, @P)", R"code(// A mark between thousands, and a decimal mark.
function withMarks(text, group, point) {
  const [whole, ...rest] = text.split(".");
  return [whole.replace(/\d(?=(\d{3})+$)/g, (digit) => digit + group), ...rest].join(point);
}
)code"},
    .sign = {"withSign(@T, @U, @O, @C)",
             R"code(// `plus` in front of a number, or `open` and `close` for the minus.
function withSign(text, plus, open, close) {
  return text.startsWith("-") ? open + text.slice(1) + close : plus + text;
}
)code"},
    .behind = {"@T + @G"},
    .inside = {"fillInside(@T, @X, @D, @F)",
               R"code(// A prefix behind the sign of a number, and what fills it up to a width.
function fillInside(text, prefix, width, fill) {
  const [, sign, digits] = text.match(/^([-+ (]?)(.*)$/);
  return sign + prefix + fill.repeat(Math.max(0, width - prefix.length - text.length)) + digits;
}
)code"},
    .pad_left = {"@T.padStart(@D, @F)"},
    .pad_right = {"@T.padEnd(@D, @F)"},
    .pad_center = {"padCenter(@T, @D, @F)", R"code(// Fills a text up to a width, on both sides.
function padCenter(text, width, fill) {
  const missing = Math.max(0, width - text.length);
  const left = Math.floor(missing / 2);
  return fill.repeat(left) + text + fill.repeat(missing - left);
}
)code"},
    .cut = {"@T.slice(0, @D)"},
    .percent = {"percent(@T)",
                R"code(// Moves the point of a number two places, and adds a percent sign.
function percent(text) {
  const [, whole, two, rest] = text.match(/^(-?\d+)\.(\d\d)(\d*)$/) ?? [];
  const [, big, size] = text.match(/^(.*e[+])(\d+)$/) ?? [];
  if (big !== undefined) return big + (Number(size) + 2) + "%";
  if (whole === undefined) return text;
  return (whole + two).replace(/^(-?)0+(?=\d)/, "$1") + (rest && "." + rest) + "%";
}
)code"},
    .engineering = {"engineering(@T)", R"code(// d.ddde+xx with an exponent in steps of three.
function engineering(text) {
  const [, first, rest, letter, size] = text.match(/^(-?\d)\.?(\d*)([eE])([-+]?\d+)$/) ?? [];
  if (first === undefined) return text;
  const lead = ((size % 3) + 3) % 3;
  const digits = rest.padEnd(lead, "0");
  const left = String(Math.abs(size - lead)).padStart(2, "0");
  const behind = digits.slice(lead) && "." + digits.slice(lead);
  return first + digits.slice(0, lead) + behind + letter + (size < lead ? "-" : "+") + left;
}
)code"},
    .thousands =
        {"forThousands(@T, @1, @2)",
         R"code(// Of a number with some places, one more and two more: what engineering() keeps these of.
function forThousands(none, one, two) {
  const size = (text) => Number(text.split(/e/i)[1] ?? 0);
  const lead = ((size(two) % 3) + 3) % 3, text = [none, one, two][lead];
  if (size(text) === size(two)) return text;
  if (lead === 2) return none;
  return text.includes(".") ? text.replace(/e/i, "0$&") : text;
}
)code"},
    .plain = {"plain(@T)", R"code(// d.ddde+xx without an exponent.
function plain(text) {
  const [, sign, first, rest, size] = text.match(/^(-?)(\d)\.?(\d*)[eE]([-+]?\d+)$/) ?? [];
  if (sign === undefined) return text;
  const behind = Math.max(0, size) + 1;
  const digits = ("0".repeat(Math.max(0, -size)) + first + rest).padEnd(behind, "0");
  return sign + digits.slice(0, behind) + (digits.slice(behind) && "." + digits.slice(behind));
}
)code"},
    .kept_compact = {"compact(@T, @D)",
                     R"code(// d.ddde+xx of `count` digits: without an exponent where it is small.
function compact(text, count) {
  const [, sign, first, rest, size] = text.match(/^(-?)(\d)\.?(\d*)e([-+]?\d+)$/) ?? [];
  if (sign === undefined) return text;
  if (size < -4 || size >= count) {
    const tail = String(Math.abs(size)).padStart(2, "0");
    return sign + first + "." + rest + (size < 0 ? "e-" : "e+") + tail;
  }
  const behind = Math.max(0, size) + 1;
  const digits = "0".repeat(Math.max(0, -size)) + first + rest;
  return sign + digits.slice(0, behind) + "." + digits.slice(behind);
}
)code"},
    .in_base = {"@V.toString(@D)"},
    .hexadecimal = {"inHexadecimal(@V)", R"code(// A number in base 16, with its binary exponent.
function inHexadecimal(value) {
  if (!Number.isFinite(value)) return String(value).toLowerCase().replace("infinity", "inf");
  const bits = new BigUint64Array(new Float64Array([value]).buffer)[0];
  const fraction = bits & 0xfffffffffffffn, stored = Number((bits >> 52n) & 0x7ffn);
  const digits = fraction.toString(16).padStart(13, "0").replace(/0+$/, "");
  const exponent = stored === 0 ? (fraction === 0n ? 0 : -1022) : stored - 1023;
  return (bits >> 63n ? "-" : "") + "0x" + (stored === 0 ? "0" : "1") + (digits && "." + digits) +
    "p" + (exponent < 0 ? "" : "+") + exponent;
}
)code"},
    .money =
        "process.stdout.write(@V.toLocaleString('@L', {style: 'currency', currency: '@C', "
        "minimumFractionDigits: @P, maximumFractionDigits: @P}));",
    .upper = {"@T.toUpperCase()"},
    .truth = {"String(@V)"},
};

}  // namespace inky::inline v1::javascript
