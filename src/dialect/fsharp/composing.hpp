// Helpers in F# that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"
#include "dialect/csharp/writing.hpp"

namespace inky::inline v1::fsharp {

inline constexpr ComposingForm composing = {
    .carrier = "fsharp",
    .unit = WidthUnit::utf16_units,
    .text_of = "sprintf \"@S\" @V",
    .print = "@T |> printf \"%s\"",
    .before = "open System.Text.RegularExpressions\n",
    .zeros = {"@T |> withZeros @D", R"code(// Zeros in front of a number, up to `count` digits.
let withZeros count (text: string) =
    let sign = if text.StartsWith "-" then "-" else ""
    sign + text.Substring(sign.Length).PadLeft(count, '0')
)code"},
    .marks = {"@T |> withMarks @G @P", R"code(// A mark between thousands, and a decimal mark.
let withMarks group (point: string) (text: string) =
    let parts = text.Split('.', 2)
    parts[0] <- Regex.Replace(parts[0], @"\d(?=(\d{3})+$)", fun digit -> digit.Value + group)
    System.String.Join(point, parts)
)code"},
    .sign = {"@T |> withSign @U @O @C",
             R"code(// `plus` in front of a number, or `before` and `behind` for the minus.
let withSign plus before behind (text: string) =
    if text.StartsWith "-" then before + text.Substring 1 + behind else plus + text
)code"},
    .behind = {"@T |> behind @G", R"code(let behind added (text: string) = text + added
)code"},
    .inside = {"@T |> fillInside @X @D @F",
               R"code(// A prefix behind the sign of a number, and what fills it up to a width.
let fillInside (prefix: string) width fill (text: string) =
    let sign = if text <> "" && "-+ (".Contains(text[0]) then 1 else 0
    let missing = max 0 (width - prefix.Length - text.Length)
    text.Substring(0, sign) + prefix + String.replicate missing fill + text.Substring sign
)code"},
    .pad_left = {"@T |> padLeft @D @F", R"code(// Fills a text up to a width, on the left.
let padLeft width fill (text: string) =
    String.replicate (max 0 (width - text.Length)) fill + text
)code"},
    .pad_right = {"@T |> padRight @D @F", R"code(// Fills a text up to a width, on the right.
let padRight width fill (text: string) =
    text + String.replicate (max 0 (width - text.Length)) fill
)code"},
    .pad_center = {"@T |> padBoth @D @F", R"code(// Fills a text up to a width, on both sides.
let padBoth width fill (text: string) =
    let missing = max 0 (width - text.Length)
    String.replicate (missing / 2) fill + text + String.replicate (missing - missing / 2) fill
)code"},
    .cut = {"@T |> cut @D", R"code(let cut count (text: string) =
    if text.Length > count then text.Substring(0, count) else text
)code"},
    .percent = {"@T |> percent",
                R"code(// Moves the point of a number two places, and adds a percent sign.
let percent text =
    let number = Regex.Match(text, @"^(-?\d+)\.(\d\d)(\d*)$")
    let part (index: int) = number.Groups[index].Value
    if not number.Success then text
    else
        Regex.Replace(part 1 + part 2, @"^(-?)0+(?=\d)", "$1")
        + (if part 3 = "" then "" else "." + part 3)
        + "%"
)code"},
    .engineering = {"@T |> engineering", R"code(// d.ddde+xx with an exponent in steps of three.
let engineering text =
    let number = Regex.Match(text, @"^(-?\d)\.?(\d*)([eE])([-+]?\d+)$")
    let part (index: int) = number.Groups[index].Value
    if not number.Success then text
    else
        let exponent = int (part 4)
        let lead = (exponent % 3 + 3) % 3
        let digits = (part 2).PadRight(lead, '0')
        let rest = if digits.Length > lead then "." + digits.Substring lead else ""
        part 1 + digits.Substring(0, lead) + rest + part 3 + (exponent - lead).ToString("+00;-00")
)code"},
    .thousands =
        {"forThousands (@T) (@1) (@2)",
         R"code(// Of a number with some places, one more and two more: what engineering keeps these of.
let forThousands none one two =
    let size (text: string) =
        let mark = text.IndexOfAny [| 'e'; 'E' |]
        if mark < 0 then 0 else int (text.Substring(mark + 1))
    let lead = (size two % 3 + 3) % 3
    let text = (if lead = 0 then none elif lead = 1 then one else two)
    if size text = size two then text
    elif lead = 2 then none
    elif text.Contains "." then Regex.Replace(text, "[eE]", "0$&")
    else text
)code"},
    .plain = {"@T |> plain", R"code(// d.ddde+xx without an exponent.
let plain text =
    let number = Regex.Match(text, @"^(-?)(\d)\.?(\d*)[eE]([-+]?\d+)$")
    let part (index: int) = number.Groups[index].Value
    if not number.Success then text
    else
        let exponent = int (part 4)
        let behind = max exponent 0 + 1
        let digits = String.replicate (max 0 -exponent) "0" + part 2 + part 3
        let digits = digits.PadRight(behind, '0')
        let rest = if digits.Length > behind then "." + digits.Substring behind else ""
        part 1 + digits.Substring(0, behind) + rest
)code"},
    .kept_compact = {"@T |> compact @D",
                     R"code(// d.ddde+xx of `count` digits: without an exponent where it is small.
let compact count text =
    let number = Regex.Match(text, @"^(-?)(\d)\.?(\d*)[eE]([-+]?\d+)$")
    let part (index: int) = number.Groups[index].Value
    if not number.Success then text
    else
        let exponent = int (part 4)
        let digits = part 2 + part 3
        if exponent < -4 || exponent >= count then
            part 1 + part 2 + "." + part 3 + exponent.ToString("'e'+00;'e'-00")
        else
            let digits = String.replicate (max 0 -exponent) "0" + digits
            let behind = max exponent 0 + 1
            part 1 + digits.Substring(0, behind) + "." + digits.Substring behind
)code"},
    .in_base = {"inBase @DI (int64 @V)", R"code(// A whole number in a base from 2 to 36.
let inBase radix value =
    let rec digits rest text =
        let digit = "0123456789abcdefghijklmnopqrstuvwxyz".Substring(int (rest % radix), 1)
        if rest / radix = 0I then digit + text else digits (rest / radix) (digit + text)
    (if value < 0L then "-" else "") + digits (abs (bigint value)) ""
)code"},
    .hexadecimal = {"inHexadecimal @V",
                    R"code(// A number in base 16, with its binary exponent.
let inHexadecimal (value: float) =
    let bits = System.BitConverter.DoubleToInt64Bits value
    let fraction = bits &&& 0xfffffffffffffL
    let stored = int (bits >>> 52) &&& 0x7ff
    let exponent = if stored > 0 then stored - 1023 elif fraction = 0L then 0 else -1022
    let digits = fraction.ToString("x13").TrimEnd('0')
    if System.Double.IsNaN value then "nan"
    elif System.Double.IsInfinity value then (if value < 0.0 then "-inf" else "inf")
    else
        (if bits < 0L then "-" else "") + "0x" + (if stored = 0 then "0" else "1")
        + (if digits = "" then "" else "." + digits) + "p" + exponent.ToString("+0;-0;+0")
)code"},
    .moment = "printf \"%s\" (@V.ToString(\"@M\"))",
    .moment_letters = csharp::write_time_format,
    .upper = {"(@T).ToUpperInvariant()"},
    .truth = {"(if @V then \"true\" else \"false\")"},
};

}  // namespace inky::inline v1::fsharp
