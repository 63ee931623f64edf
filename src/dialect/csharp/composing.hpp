// Helpers in C# that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"

namespace inky::inline v1::csharp {

inline constexpr ComposingForm composing = {
    .carrier = "csharp",
    .unit = WidthUnit::utf16_units,
    .text_of = "string.Format(\"@S\", @V)",
    .print = "Console.Write(@T);",
    .before = "using System.Text.RegularExpressions;\n",
    .zeros = {"WithZeros(@T, @D)", R"code(  // Zeros in front of a number, up to `count` digits.
  static string WithZeros(string text, int count) {
    string sign = text.StartsWith('-') ? "-" : "";
    return sign + text.Substring(sign.Length).PadLeft(count, '0');
  }
)code"},
    .marks = {"WithMarks(@T, @G, @P)", R"code(  // A mark between thousands, and a decimal mark.
  static string WithMarks(string text, string group, string point) {
    string[] parts = text.Split('.', 2);
    parts[0] = Regex.Replace(parts[0], @"\d(?=(\d{3})+$)", digit => digit.Value + group);
    return string.Join(point, parts);
  }
)code"},
    .sign = {"WithSign(@T, @U, @O, @C)",
             R"code(  // `plus` in front of a number, or `open` and `close` for the minus.
  static string WithSign(string text, string plus, string open, string close) {
    return text.StartsWith('-') ? open + text.Substring(1) + close : plus + text;
  }
)code"},
    .behind = {"@T + @G"},
    .inside = {"FillInside(@T, @X, @D, '@f')",
               R"code(  // A prefix behind the sign of a number, and what fills it up to a width.
  static string FillInside(string text, string prefix, int width, char fill) {
    int sign = text != "" && "-+ (".Contains(text[0]) ? 1 : 0;
    string filled = new string(fill, Math.Max(0, width - prefix.Length - text.Length));
    return text.Substring(0, sign) + prefix + filled + text.Substring(sign);
  }
)code"},
    .pad_left = {"@T.PadLeft(@D, '@f')"},
    .pad_right = {"@T.PadRight(@D, '@f')"},
    .pad_center = {"PadBoth(@T, @D, '@f')", R"code(  // Fills a text up to a width, on both sides.
  static string PadBoth(string text, int width, char fill) {
    int left = Math.Max(0, width - text.Length) / 2;
    return text.PadLeft(text.Length + left, fill).PadRight(width, fill);
  }
)code"},
    .cut = {"Cut(@T, @D)", R"code(  static string Cut(string text, int count) {
    return text.Length > count ? text.Substring(0, count) : text;
  }
)code"},
    .percent = {"Percent(@T)",
                R"code(  // Moves the point of a number two places, and adds a percent sign.
  static string Percent(string text) {
    Match number = Regex.Match(text, @"^(-?\d+)\.(\d\d)(\d*)$");
    if (!number.Success) return text;
    string whole = number.Groups[1].Value + number.Groups[2].Value;
    whole = Regex.Replace(whole, @"^(-?)0+(?=\d)", "$1");
    string rest = number.Groups[3].Value;
    return whole + (rest == "" ? "" : "." + rest) + "%";
  }
)code"},
    .engineering = {"Engineering(@T)", R"code(  // d.ddde+xx with an exponent in steps of three.
  static string Engineering(string text) {
    Match number = Regex.Match(text, @"^(-?\d)\.?(\d*)([eE])([-+]?\d+)$");
    if (!number.Success) return text;
    int exponent = int.Parse(number.Groups[4].Value), lead = (exponent % 3 + 3) % 3;
    string digits = number.Groups[2].Value.PadRight(lead, '0');
    string rest = digits.Length > lead ? "." + digits.Substring(lead) : "";
    return number.Groups[1].Value + digits.Substring(0, lead) + rest + number.Groups[3].Value
        + (exponent - lead).ToString("+00;-00");
  }
)code"},
    .thousands =
        {"ForThousands(@T, @1, @2)",
         R"code(  // Of a number with some places, one more and two more: what Engineering keeps these of.
  static string ForThousands(string none, string one, string two) {
    int Size(string text) {
      int mark = text.IndexOfAny(new[] { 'e', 'E' });
      return mark < 0 ? 0 : int.Parse(text.Substring(mark + 1));
    }
    int lead = (Size(two) % 3 + 3) % 3;
    string text = new[] { none, one, two }[lead];
    if (Size(text) == Size(two)) return text;
    if (lead == 2) return none;
    return text.Contains('.') ? Regex.Replace(text, "[eE]", "0$&") : text;
  }
)code"},
    .plain = {"Plain(@T)", R"code(  // d.ddde+xx without an exponent.
  static string Plain(string text) {
    Match number = Regex.Match(text, @"^(-?)(\d)\.?(\d*)[eE]([-+]?\d+)$");
    if (!number.Success) return text;
    int exponent = int.Parse(number.Groups[4].Value), behind = Math.Max(exponent, 0) + 1;
    string digits = number.Groups[2].Value + number.Groups[3].Value;
    digits = new string('0', Math.Max(-exponent, 0)) + digits;
    digits = digits.PadRight(behind, '0');
    string rest = digits.Length > behind ? "." + digits.Substring(behind) : "";
    return number.Groups[1].Value + digits.Substring(0, behind) + rest;
  }
)code"},
    .kept_compact = {"Compact(@T, @D)",
                     R"code(  // d.ddde+xx of `count` digits: without an exponent where it is small.
  static string Compact(string text, int count) {
    Match number = Regex.Match(text, @"^(-?)(\d)\.?(\d*)[eE]([-+]?\d+)$");
    if (!number.Success) return text;
    int exponent = int.Parse(number.Groups[4].Value), behind = Math.Max(exponent, 0) + 1;
    string digits = number.Groups[2].Value + number.Groups[3].Value, tail = "";
    if (exponent < -4 || exponent >= count) {
      behind = 1;
      tail = exponent.ToString("'e'+00;'e'-00");
    } else {
      digits = new string('0', Math.Max(-exponent, 0)) + digits;
    }
    digits = digits.Substring(0, behind) + "." + digits.Substring(behind);
    return number.Groups[1].Value + digits + tail;
  }
)code"},
    .in_base = {"InBase(@V, @D)", R"code(  // A whole number in a base from 2 to 36.
  static string InBase(long value, uint radix) {
    ulong rest = value < 0 ? 0 - (ulong)value : (ulong)value;
    string text = "";
    do {
      text = "0123456789abcdefghijklmnopqrstuvwxyz"[(int)(rest % radix)] + text;
      rest /= radix;
    } while (rest != 0);
    return value < 0 ? "-" + text : text;
  }
)code"},
    .hexadecimal = {"InHexadecimal(@V)",
                    R"code(  // A number in base 16, with its binary exponent.
  static string InHexadecimal(double value) {
    if (double.IsNaN(value)) return "nan";
    if (double.IsInfinity(value)) return value < 0 ? "-inf" : "inf";
    long bits = BitConverter.DoubleToInt64Bits(value), fraction = bits & 0xfffffffffffff;
    int stored = (int)(bits >> 52) & 0x7ff;
    int exponent = stored == 0 ? (fraction == 0 ? 0 : -1022) : stored - 1023;
    string digits = fraction.ToString("x13").TrimEnd('0');
    return (bits < 0 ? "-" : "") + "0x" + (stored == 0 ? "0" : "1") + (digits == "" ? "" : "." + digits)
      + "p" + (exponent < 0 ? "-" : "+") + Math.Abs(exponent);
  }
)code"},
    .money = "Console.Write(@V.ToString(\"C@P\", CultureInfo.GetCultureInfo(\"@L\")));",
    .upper = {"@T.ToUpperInvariant()"},
    .truth = {"(@V ? \"true\" : \"false\")"},
};

}  // namespace inky::inline v1::csharp
