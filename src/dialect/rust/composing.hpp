// Helpers in Rust that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"

namespace inky::inline v1::rust {

inline constexpr ComposingForm composing = {
    .carrier = "rust",
    .unit = WidthUnit::code_points,
    .text_of = "format!(\"@S\", @V)",
    .print = "print!(\"{}\", @T);",
    .zeros = {"with_zeros(&@T, @D)", R"code(// Zeros in front of a number, up to `count` digits.
fn with_zeros(text: &str, count: usize) -> String {
    let digits = text.trim_start_matches('-');
    let sign = &text[..text.len() - digits.len()];
    format!("{sign}{digits:0>count$}")
}
)code"},
    .marks = {"with_marks(&@T, @G, @P)", R"code(// A mark between thousands, and a decimal mark.
fn with_marks(text: &str, group: &str, point: &str) -> String {
    let digits = text.trim_start_matches('-');
    let end = digits.find(|c: char| !c.is_ascii_digit()).unwrap_or(digits.len());
    let mut out = text[..text.len() - digits.len()].to_string();
    for (at, digit) in digits[..end].chars().enumerate() {
        if at > 0 && (end - at) % 3 == 0 {
            out += group;
        }
        out.push(digit);
    }
    out + &digits[end..].replacen('.', point, 1)
}
)code"},
    .sign = {"with_sign(&@T, @U, @O, @C)",
             R"code(// `plus` in front of a number, or `open` and `close` for the minus.
fn with_sign(text: &str, plus: &str, open: &str, close: &str) -> String {
    match text.strip_prefix('-') {
        Some(digits) => format!("{open}{digits}{close}"),
        None => format!("{plus}{text}"),
    }
}
)code"},
    .behind = {"(@T + @G)"},
    .inside = {"fill_inside(&@T, @X, @D, @F)",
               R"code(// A prefix behind the sign of a number, and what fills it up to a width.
fn fill_inside(text: &str, prefix: &str, width: usize, fill: &str) -> String {
    let sign = usize::from(text.starts_with(['-', '+', ' ', '(']));
    let missing = width.saturating_sub(prefix.len() + text.chars().count());
    format!("{}{prefix}{}{}", &text[..sign], fill.repeat(missing), &text[sign..])
}
)code"},
    .pad_left = {"format!(\"{:@f>@D}\", @T)"},
    .pad_right = {"format!(\"{:@f<@D}\", @T)"},
    .pad_center = {"format!(\"{:@f^@D}\", @T)"},
    .cut = {"format!(\"{:.@D}\", @T)"},
    .percent = {"percent(&@T)",
                R"code(// Moves the point of a number two places, and adds a percent sign.
fn percent(text: &str) -> String {
    let Some((whole, rest)) = text.split_once('.') else { return text.to_string() };
    let digits = whole.trim_start_matches('-');
    let sign = &whole[..whole.len() - digits.len()];
    let moved = format!("{digits}{}", &rest[..2]);
    let moved = moved.trim_start_matches('0');
    let whole = if moved.is_empty() { "0" } else { moved };
    let point = if rest.len() > 2 { "." } else { "" };
    format!("{sign}{whole}{point}{}%", &rest[2..])
}
)code"},
    .engineering = {"engineering(&@T)", R"code(// d.ddde+xx with an exponent in steps of three.
fn engineering(text: &str) -> String {
    let Some((number, exponent)) = text.split_once(['e', 'E']) else { return text.to_string() };
    let exponent: i32 = exponent.parse().unwrap();
    let lead = exponent.rem_euclid(3);
    let first = usize::from(number.starts_with('-')) + 1;
    let rest = number[first..].trim_start_matches('.');
    let digits = format!("{rest:0<0$}", lead as usize);
    let (whole, behind) = digits.split_at(lead as usize);
    let point = if behind.is_empty() { "" } else { "." };
    let letter = &text[number.len()..number.len() + 1];
    format!("{}{whole}{point}{behind}{letter}{:+03}", &number[..first], exponent - lead)
}
)code"},
    .thousands =
        {"for_thousands(@T, @1, @2)",
         R"code(// Of a number with some places, one more and two more: what engineering() keeps these of.
fn for_thousands(none: String, one: String, two: String) -> String {
    let size = |text: &str| text.split_once(['e', 'E']).map_or(0, |parts| parts.1.parse::<i32>().unwrap());
    let lead = size(&two).rem_euclid(3);
    let text = match lead { 0 => &none, 1 => &one, _ => &two };
    if size(text) == size(&two) {
        return text.clone();
    }
    if lead == 2 {
        return none;
    }
    let mark = text.find(['e', 'E']).unwrap();
    let zero = if text.contains('.') { "0" } else { "" };
    format!("{}{zero}{}", &text[..mark], &text[mark..])
}
)code"},
    .plain = {"plain(&@T)", R"code(// d.ddde+xx without an exponent.
fn plain(text: &str) -> String {
    let Some((number, exponent)) = text.split_once(['e', 'E']) else { return text.to_string() };
    let exponent: i32 = exponent.parse().unwrap();
    let digits = number.trim_start_matches('-');
    let sign = &number[..number.len() - digits.len()];
    let front = "0".repeat(exponent.min(0).unsigned_abs() as usize);
    let count = exponent.max(0) as usize + 1;
    let digits = format!("{front}{}", digits.replace('.', ""));
    let digits = format!("{digits:0<count$}");
    let (whole, behind) = digits.split_at(count);
    let point = if behind.is_empty() { "" } else { "." };
    format!("{sign}{whole}{point}{behind}")
}
)code"},
    .compact =
        {"compact(&@T, @D)",
         R"code(// d.ddde+xx of `count` digits: without an exponent where it is small, and without zeros.
fn compact(text: &str, count: i32) -> String {
    let Some((number, exponent)) = text.split_once(['e', 'E']) else { return text.to_string() };
    let exponent: i32 = exponent.parse().unwrap();
    let digits = number.trim_start_matches('-').replace('.', "");
    let sign = if number.starts_with('-') { "-" } else { "" };
    let digits = format!("{}{}", &digits[..1], digits[1..].trim_end_matches('0'));
    let small = exponent >= -4 && exponent < count;
    let front = if small { exponent.min(0).unsigned_abs() as usize } else { 0 };
    let behind = if small { exponent.max(0) as usize + 1 } else { 1 };
    let digits = format!("{}{digits}", "0".repeat(front));
    let digits = format!("{digits:0<behind$}");
    let (whole, rest) = digits.split_at(behind);
    let point = if rest.is_empty() { "" } else { "." };
    let tail = if small { String::new() } else { format!("e{exponent:+03}") };
    format!("{sign}{whole}{point}{rest}{tail}")
}
)code"},
    .kept_compact = {"compact_with_zeros(&@T, @D)",
                     R"code(// d.ddde+xx of `count` digits: without an exponent where it is small.
fn compact_with_zeros(text: &str, count: i32) -> String {
    let Some((number, exponent)) = text.split_once(['e', 'E']) else { return text.to_string() };
    let exponent: i32 = exponent.parse().unwrap();
    let digits = number.trim_start_matches('-').replace('.', "");
    let sign = if number.starts_with('-') { "-" } else { "" };
    let small = exponent >= -4 && exponent < count;
    let front = if small { exponent.min(0).unsigned_abs() as usize } else { 0 };
    let behind = if small { exponent.max(0) as usize + 1 } else { 1 };
    let digits = format!("{}{digits}", "0".repeat(front));
    let (whole, rest) = digits.split_at(behind);
    let tail = if small { String::new() } else { format!("e{exponent:+03}") };
    format!("{sign}{whole}.{rest}{tail}")
}
)code"},
    .in_base = {"in_base(@V as i64, @D)", R"code(// A whole number in a base from 2 to 36.
fn in_base(value: i64, base: u32) -> String {
    let mut rest = value.unsigned_abs();
    let mut text = String::new();
    loop {
        text.insert(0, char::from_digit((rest % u64::from(base)) as u32, base).unwrap());
        rest /= u64::from(base);
        if rest == 0 {
            return if value < 0 { format!("-{text}") } else { text };
        }
    }
}
)code"},
    .hexadecimal = {"in_hexadecimal(@V)",
                    R"code(// A number in base 16, with its binary exponent.
fn in_hexadecimal(value: f64) -> String {
    if !value.is_finite() {
        return value.to_string().to_lowercase();
    }
    let bits = value.to_bits();
    let fraction = bits & 0xf_ffff_ffff_ffff;
    let stored = (bits >> 52 & 0x7ff) as i32;
    let exponent = if stored > 0 { stored - 1023 } else if fraction == 0 { 0 } else { -1022 };
    let digits = format!(".{fraction:013x}");
    let digits = digits.trim_end_matches('0').trim_end_matches('.');
    let sign = if value.is_sign_negative() { "-" } else { "" };
    format!("{sign}0x{}{digits}p{exponent:+}", i32::from(stored > 0))
}
)code"},
    .upper = {"@T.to_uppercase()"},
    .truth = {"@V.to_string()"},
};

}  // namespace inky::inline v1::rust
