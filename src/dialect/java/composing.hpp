// Helpers in Java that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"

namespace inky::inline v1 {

inline constexpr ComposingForm java_composing = {
    .carrier = "java",
    .unit = WidthUnit::utf16_units,
    .text_of = "String.format(\"@S\", @V)",
    .print = "System.out.print(@T);",
    .before = "import java.util.regex.Matcher;\nimport java.util.regex.Pattern;\n",
    .zeros = {"withZeros(@T, @D)", R"code(  // Zeros in front of a number, up to `count` digits.
  static String withZeros(String text, int count) {
    int sign = text.startsWith("-") ? 1 : 0;
    int missing = Math.max(0, count + sign - text.length());
    return text.substring(0, sign) + "0".repeat(missing) + text.substring(sign);
  }
)code"},
    .marks = {"withMarks(@T, @G, @P)", R"code(  // A mark between thousands, and a decimal mark.
  static String withMarks(String text, String group, String point) {
    String[] parts = text.split("\\.", 2);
    parts[0] = parts[0].replaceAll("\\d(?=(\\d{3})+$)", "$0" + Matcher.quoteReplacement(group));
    return String.join(point, parts);
  }
)code"},
    .sign = {"withSign(@T, @U, @O, @C)",
             R"code(  // `plus` in front of a number, or `open` and `close` for the minus.
  static String withSign(String text, String plus, String open, String close) {
    return text.startsWith("-") ? open + text.substring(1) + close : plus + text;
  }
)code"},
    .behind = {"@T + @G"},
    .inside = {"fillInside(@T, @X, @D, @F)",
               R"code(  // A prefix behind the sign of a number, and what fills it up to a width.
  static String fillInside(String text, String prefix, int width, String fill) {
    int sign = !text.isEmpty() && "-+ (".indexOf(text.charAt(0)) >= 0 ? 1 : 0;
    int missing = Math.max(0, width - prefix.length() - text.length());
    return text.substring(0, sign) + prefix + fill.repeat(missing) + text.substring(sign);
  }
)code"},
    .pad_left = {"fillLeft(@T, @D, @F)", R"code(  // Fills a text up to a width, on the left.
  static String fillLeft(String text, int width, String fill) {
    return fill.repeat(Math.max(0, width - text.length())) + text;
  }
)code"},
    .pad_right = {"fillRight(@T, @D, @F)", R"code(  // Fills a text up to a width, on the right.
  static String fillRight(String text, int width, String fill) {
    return text + fill.repeat(Math.max(0, width - text.length()));
  }
)code"},
    .pad_center = {"fillBoth(@T, @D, @F)", R"code(  // Fills a text up to a width, on both sides.
  static String fillBoth(String text, int width, String fill) {
    int missing = Math.max(0, width - text.length());
    return fill.repeat(missing / 2) + text + fill.repeat(missing - missing / 2);
  }
)code"},
    .cut = {"cut(@T, @D)", R"code(  static String cut(String text, int count) {
    return text.length() > count ? text.substring(0, count) : text;
  }
)code"},
    .percent = {"percent(@T)",
                R"code(  // Moves the point of a number two places, and adds a percent sign.
  static String percent(String text) {
    Matcher number = Pattern.compile("(-?\\d+)\\.(\\d\\d)(\\d*)").matcher(text);
    if (!number.matches()) return text;
    String whole = (number.group(1) + number.group(2)).replaceFirst("^(-?)0+(?=\\d)", "$1");
    return whole + (number.group(3).isEmpty() ? "" : "." + number.group(3)) + "%";
  }
)code"},
    .engineering = {"engineering(@T)", R"code(  // d.ddde+xx with an exponent in steps of three.
  static String engineering(String text) {
    Matcher number = Pattern.compile("(-?\\d)\\.?(\\d*)([eE])([-+]?\\d+)").matcher(text);
    if (!number.matches()) return text;
    int exponent = Integer.parseInt(number.group(4)), lead = Math.floorMod(exponent, 3);
    String digits = number.group(2) + "0".repeat(Math.max(0, lead - number.group(2).length()));
    String rest = digits.length() > lead ? "." + digits.substring(lead) : "";
    return number.group(1) + digits.substring(0, lead) + rest + number.group(3)
        + String.format("%+03d", exponent - lead);
  }
)code"},
    .thousands =
        {"forThousands(@T, @1, @2)",
         R"code(  // Of a number with some places, one more and two more: what engineering keeps these of.
  static int exponentOf(String text) {
    String[] parts = text.split("[eE]");
    return parts.length < 2 ? 0 : Integer.parseInt(parts[1]);
  }
  static String forThousands(String none, String one, String two) {
    int lead = Math.floorMod(exponentOf(two), 3);
    String text = new String[]{none, one, two}[lead];
    if (exponentOf(text) == exponentOf(two)) return text;
    if (lead == 2) return none;
    return text.contains(".") ? text.replaceFirst("[eE]", "0$0") : text;
  }
)code"},
    .plain = {"plain(@T)", R"code(  // d.ddde+xx without an exponent.
  static String plain(String text) {
    Matcher number = Pattern.compile("(-?)(\\d)\\.?(\\d*)[eE]([-+]?\\d+)").matcher(text);
    if (!number.matches()) return text;
    int exponent = Integer.parseInt(number.group(4)), behind = Math.max(exponent, 0) + 1;
    String digits = "0".repeat(Math.max(-exponent, 0)) + number.group(2) + number.group(3);
    digits += "0".repeat(Math.max(0, behind - digits.length()));
    String rest = digits.length() > behind ? "." + digits.substring(behind) : "";
    return number.group(1) + digits.substring(0, behind) + rest;
  }
)code"},
    .kept_compact = {"compact(@T, @D)",
                     R"code(  // d.ddde+xx of `count` digits: without an exponent where it is small.
  static String compact(String text, int count) {
    Matcher number = Pattern.compile("(-?)(\\d)\\.?(\\d*)[eE]([-+]?\\d+)").matcher(text);
    if (!number.matches()) return text;
    int exponent = Integer.parseInt(number.group(4)), behind = Math.max(exponent, 0) + 1;
    String digits = number.group(2) + number.group(3), tail = "";
    if (exponent < -4 || exponent >= count) {
      behind = 1;
      tail = String.format("e%+03d", exponent);
    } else {
      digits = "0".repeat(Math.max(-exponent, 0)) + digits;
    }
    return number.group(1) + digits.substring(0, behind) + "." + digits.substring(behind) + tail;
  }
)code"},
    .in_base = {"Long.toString(@V, @D)"},
    .money =
        "NumberFormat money = "
        "NumberFormat.getCurrencyInstance(Locale.forLanguageTag(\"@L\"));\nmoney."
        "setMinimumFractionDigits(@P);\nmoney.setMaximumFractionDigits(@P);\nSystem.out.print("
        "money.format(@V));",
    .upper = {"@T.toUpperCase(Locale.ROOT)"},
    .truth = {"String.valueOf(@V)"},
};

}  // namespace inky::inline v1
