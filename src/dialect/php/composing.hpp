// Helpers in PHP that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dates.hpp"
#include "dialect/composing_form.hpp"

namespace inky::inline v1::php {

inline constexpr ComposingForm composing = {
    .carrier = "php",
    .unit = WidthUnit::bytes,
    .text_of = "sprintf(\"@S\", $@V)",
    .print = "echo @T;",
    .zeros = {"with_zeros(@T, @D)", R"code(// Zeros in front of a number, up to $count digits.
function with_zeros($text, $count) {
    $sign = str_starts_with($text, "-") ? "-" : "";
    return $sign . str_pad(substr($text, strlen($sign)), $count, "0", STR_PAD_LEFT);
}
)code"},
    .marks = {"with_marks(@T, @G, @P)", R"code(// A mark between thousands, and a decimal mark.
function with_marks($text, $group, $point) {
    $parts = explode(".", $text, 2);
    $marked = fn($digit) => $digit[0] . $group;
    $parts[0] = preg_replace_callback('/\d(?=(\d{3})+$)/', $marked, $parts[0]);
    return implode($point, $parts);
}
)code"},
    .sign = {"with_sign(@T, @U, @O, @C)",
             R"code(// $plus in front of a number, or $open and $close for the minus.
function with_sign($text, $plus, $open, $close) {
    return str_starts_with($text, "-") ? $open . substr($text, 1) . $close : $plus . $text;
}
)code"},
    .behind = {"@T . @G"},
    .inside = {"fill_inside(@T, @X, @D, @F)",
               R"code(// A prefix behind the sign of a number, and what fills it up to a width.
function fill_inside($text, $prefix, $width, $fill) {
    $sign = strspn($text, "-+ (", 0, 1);
    $missing = max(0, $width - strlen($prefix) - strlen($text));
    return substr($text, 0, $sign) . $prefix . str_repeat($fill, $missing) . substr($text, $sign);
}
)code"},
    .pad_left = {"str_pad(@T, @D, @F, STR_PAD_LEFT)"},
    .pad_right = {"str_pad(@T, @D, @F)"},
    .pad_center = {"str_pad(@T, @D, @F, STR_PAD_BOTH)"},
    .cut = {"substr(@T, 0, @D)"},
    .percent = {"percent(@T)",
                R"code(// Moves the point of a number two places, and adds a percent sign.
function percent($text) {
    if (!preg_match('/^(-?\d+)\.(\d\d)(\d*)$/', $text, $part)) return $text;
    $whole = preg_replace('/^(-?)0+(?=\d)/', '$1', $part[1] . $part[2]);
    return $whole . ($part[3] === "" ? "" : "." . $part[3]) . "%";
}
)code"},
    .engineering = {"engineering(@T)", R"code(// d.ddde+xx with an exponent in steps of three.
function engineering($text) {
    if (!preg_match('/^(-?\d)\.?(\d*)([eE])([-+]?\d+)$/', $text, $part)) return $text;
    $lead = (intval($part[4]) % 3 + 3) % 3;
    $digits = str_pad($part[2], $lead, "0");
    $rest = substr($digits, $lead);
    $left = intval($part[4]) - $lead;
    return $part[1] . substr($digits, 0, $lead) . ($rest === "" ? "" : "." . $rest) . $part[3]
        . ($left < 0 ? "-" : "+") . sprintf("%02d", abs($left));
}
)code"},
    .thousands =
        {"for_thousands(@T, @1, @2)",
         R"code(// Of a number with some places, one more and two more: what engineering() keeps these of.
function for_thousands($none, $one, $two) {
    $size = fn($text) => intval(preg_split('/e/i', $text)[1] ?? 0);
    $lead = ($size($two) % 3 + 3) % 3;
    $text = [$none, $one, $two][$lead];
    if ($size($text) === $size($two)) return $text;
    if ($lead === 2) return $none;
    return strpos($text, ".") === false ? $text : preg_replace('/e/i', '0$0', $text);
}
)code"},
    .plain = {"plain(@T)", R"code(// d.ddde+xx without an exponent.
function plain($text) {
    if (!preg_match('/^(-?)(\d)\.?(\d*)[eE]([-+]?\d+)$/', $text, $part)) return $text;
    $exponent = intval($part[4]);
    $behind = max($exponent, 0) + 1;
    $digits = str_pad(str_repeat("0", max(-$exponent, 0)) . $part[2] . $part[3], $behind, "0");
    $rest = substr($digits, $behind);
    return $part[1] . substr($digits, 0, $behind) . ($rest === "" ? "" : "." . $rest);
}
)code"},
    .kept_compact = {"compact_with_zeros(@T, @D)",
                     R"code(// d.ddde+xx of $count digits: without an exponent where it is small.
function compact_with_zeros($text, $count) {
    if (!preg_match('/^(-?)(\d)\.?(\d*)[eE]([-+]?\d+)$/', $text, $part)) return $text;
    $exponent = intval($part[4]);
    if ($exponent < -4 || $exponent >= $count)
        return $part[1] . $part[2] . "." . $part[3] . "e" . ($exponent < 0 ? "-" : "+")
            . sprintf("%02d", abs($exponent));
    $digits = str_repeat("0", max(-$exponent, 0)) . $part[2] . $part[3];
    $behind = max($exponent, 0) + 1;
    return $part[1] . substr($digits, 0, $behind) . "." . substr($digits, $behind);
}
)code"},
    .in_base = {"in_base($@V, @D)", R"code(// A whole number in a base from 2 to 36.
function in_base($value, $base) {
    for ($text = "", $rest = $value; $rest !== 0 || $text === ""; $rest = intdiv($rest, $base)) {
        $text = "0123456789abcdefghijklmnopqrstuvwxyz"[abs($rest % $base)] . $text;
    }
    return $value < 0 ? "-" . $text : $text;
}
)code"},
    .hexadecimal = {"in_hexadecimal($@V)",
                    R"code(// A number in base 16, with its binary exponent.
function in_hexadecimal($value) {
    if (is_nan($value)) return "nan";
    if (is_infinite($value)) return $value < 0 ? "-inf" : "inf";
    $bits = unpack("q", pack("d", $value))[1];
    $fraction = $bits & 0xfffffffffffff;
    $stored = $bits >> 52 & 0x7ff;
    $exponent = $stored > 0 ? $stored - 1023 : ($fraction === 0 ? 0 : -1022);
    $digits = rtrim(sprintf(".%013x", $fraction), "0");
    return ($bits < 0 ? "-" : "") . "0x" . ($stored > 0 ? 1 : 0) . rtrim($digits, ".") . sprintf("p%+d", $exponent);
}
)code"},
    .moment = "echo $@V->format('@M');",
    .moment_letters = write_date_letters,
    .upper = {"strtoupper(@T)"},
    .truth = {"($@V ? \"true\" : \"false\")"},
};

}  // namespace inky::inline v1::php
