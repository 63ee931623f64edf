// Lines of PHP as people paste them. The texts are those that PHP 8.2 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;
using support::value;

TEST_CASE("pasted lines of PHP print what the runtime prints") {
  const std::vector<PrintingCall> calls = {
      {"printf(\"%-8s|%8.2f|%03d\\n\", $name, $x, $n);",
       {value("n=7"), value("x=9.55"), value("name=ink")},
       "ink     |    9.55|007\n"},
      {"printf(\"%05.1f|%5d|%-5d|%x|%X|%o|%b|%c|%e\\n\", $x, $n, $n, 255, 255, 8, 5, 65, $total);",
       {value("n=7"), value("x=9.55"), value("total=1234567.891")},
       "009.6|    7|7    |ff|FF|10|101|A|1.234568e+6\n"},
      {"printf(\"%s has %d items (%.1f%%)\\n\", $name, $n, $pct * 100);",
       {value("n=7"), value("name=ink"), value("pct=0.256")},
       "ink has 7 items (25.6%)\n"},
      {"printf('%2$s %1$04d' . \"\\n\", $n, $name);",
       {value("n=7"), value("name=ink")},
       "ink 0007\n"},
      {"echo \"Hello $name, you have $n items.\\n\";",
       {value("n=7"), value("name=ink")},
       "Hello ink, you have 7 items.\n"},
      {"echo \"Total: {$total}\\n\";", {value("total=1234567.891")}, "Total: 1234567.891\n"},
      {"echo 'single $name\\n', \"\\n\";", {value("name=ink")}, "single $name\\n\n"},
      {"echo $name . \": \" . $n . \"\\n\";", {value("n=7"), value("name=ink")}, "ink: 7\n"},
      {"echo \"Sum: \" . ($n + $x) . \"\\n\";", {value("n=7"), value("x=9.55")}, "Sum: 16.55\n"},
      {"echo $n / 2, \" \", intdiv($n, 2), \" \", $n % 4, \" \", $neg % 4, \" \", fmod($x, 2), "
       "\"\\n\";",
       {value("n=7"), value("x=9.55"), value("neg=-7")},
       "3.5 3 3 -3 1.55\n"},
      {"echo round($x, 1), \" \", round(2.5), \" \", round(-1.5), \" \", round($w, 2), \" \", "
       "floor($x), \" \", ceil($x), \"\\n\";",
       {value("x=9.55"), value("w=2.675")},
       "9.6 3 -2 2.68 9 10\n"},
      {"echo number_format($total), \"|\", number_format($total, 2), \"|\", number_format($total, "
       "2, \",\", \".\"), \"|\", number_format($total, 2, \".\", \"\"), \"\\n\";",
       {value("total=1234567.891")},
       "1,234,568|1,234,567.89|1.234.567,89|1234567.89\n"},
      {"echo number_format(0.5), \" \", number_format(-1234.567, 1), \" \", "
       "number_format(999999.999, 2), \"\\n\";",
       {},
       "1 -1,234.6 1,000,000.00\n"},
      {"echo str_pad($name, 8), \"|\", str_pad($name, 8, \"*\", STR_PAD_LEFT), \"|\", "
       "str_pad($name, 8, \"-\", STR_PAD_BOTH), \"\\n\";",
       {value("name=ink")},
       "ink     |*****ink|--ink---\n"},
      {"echo strtoupper($name), ucfirst($name), ucwords(\"two words\"), strrev($name), "
       "strlen($name), \"\\n\";",
       {value("name=ink")},
       "INKInkTwo Wordskni3\n"},
      {"echo substr($name, 1), substr($name, -2), substr($name, 0, 2), \"\\n\";",
       {value("name=ink")},
       "nknkin\n"},
      {"echo str_repeat(\"=\", 10), \"\\n\";", {}, "==========\n"},
      {"echo implode(\", \", [1, 2, 3]), \" \", implode(\", \", [\"a\", \"b\"]), \"\\n\";",
       {},
       "1, 2, 3 a, b\n"},
      {"echo $flag ? \"yes\" : \"no\", \"\\n\";", {value("flag=true:truth")}, "yes\n"},
      {"echo $n > 5 ? \"many\" : \"few\", \"\\n\";", {value("n=7")}, "many\n"},
      {"echo ($n == 7 && $flag) ? 1 : 0, \"\\n\";",
       {value("n=7"), value("flag=true:truth")},
       "1\n"},
      {"echo true, \"|\", false, \"|\", null, \"\\n\";", {}, "1||\n"},
      {"echo 0.1 + 0.2, \" \", 1/3, \" \", 1e20, \" \", 1.0, \" \", 100000000000000000000, \" \", "
       "1e-7, \" \", 123456789012345678, \"\\n\";",
       {},
       "0.3 0.33333333333333 1.0E+20 1 1.0E+20 1.0E-7 123456789012345678\n"},
      {"echo 7.0, \" \", 2.50, \" \", -0.0, \" \", 1.5e3, \"\\n\";", {}, "7 2.5 -0 1500\n"},
      {"echo \"a\" . 1 . 2.0 . \"b\", \"\\n\";", {}, "a12b\n"},
      {"echo 1 + 2 . \"3\", \"\\n\";", {}, "33\n"},
      {"echo \"5\" + 3, \" \", \"1.5\" + 1, \" \", \"10\" * \"2\", \"\\n\";", {}, "8 2.5 20\n"},
      {"echo 2 ** 3, \" \", 2 ** -1, \" \", 2 ** 0.5, \" \", -3 ** 2, \"\\n\";",
       {},
       "8 0.5 1.4142135623731 -9\n"},
      {"echo $n & 3, \" \", $n | 8, \" \", $n ^ 2, \" \", ~$n, \" \", $n << 2, \" \", $n >> 1, "
       "\"\\n\";",
       {value("n=7")},
       "3 15 5 -8 28 3\n"},
      {"echo max(1, $x, 3), \" \", min(4, $n), \" \", abs($neg), \" \", pow(2, 8), \" \", "
       "sqrt(16), \"\\n\";",
       {value("n=7"), value("x=9.55"), value("neg=-7")},
       "9.55 4 7 256 4\n"},
      {"echo dechex(255), \" \", decbin(5), \" \", decoct(8), \" \", hexdec(\"ff\"), \" \", "
       "bindec(\"101\"), \"\\n\";",
       {},
       "ff 101 10 255 5\n"},
      {"echo (int)$x, \" \", (float)$n, \" \", (string)$n . \"!\", \" \", (bool)$n, \" \", "
       "intval(\"42abc\"), \"\\n\";",
       {value("n=7"), value("x=9.55")},
       "9 7 7! 1 42\n"},
      {"echo sprintf(\"%08.3f\", $x), \"|\", sprintf(\"%'*10s\", $name), \"|\", sprintf(\"%+d\", "
       "$n), \"|\", sprintf(\"%5.1e\", $total), \"\\n\";",
       {value("n=7"), value("x=9.55"), value("name=ink"), value("total=1234567.891")},
       "0009.550|*******ink|+7|1.2e+6\n"},
      {"echo sprintf(\"%u\", 3), sprintf(\"%%\"), sprintf(\"%10.4f|\", $x), sprintf(\"%-10s|\", "
       "$name), \"\\n\";",
       {value("x=9.55"), value("name=ink")},
       "3%    9.5500|ink       |\n"},
      {"print \"Name: $name\\n\";", {value("name=ink")}, "Name: ink\n"},
      {"print($x * 2);", {value("x=9.55")}, "19.1"},
      {"print \"done\" . PHP_EOL;", {}, "done\n"},
      {"echo \"cost: \\$5 and {$n}kg\\n\";", {value("n=7")}, "cost: $5 and 7kg\n"},
      {"echo \"tab\\there \\\\ back \\x41 \\u{41}\\n\";", {}, "tab\there \\ back A A\n"},
      {"echo $name ?? \"none\", \"\\n\";", {value("name=ink")}, "ink\n"},
      {"echo $n . PHP_EOL;", {value("n=7")}, "7\n"},
      {"echo $n, PHP_EOL;", {value("n=7")}, "7\n"},
      {"echo PHP_INT_MAX, \" \", PHP_INT_MAX + 1, \" \", PHP_INT_SIZE, \"\\n\";",
       {},
       "9223372036854775807 9.2233720368548E+18 8\n"},
      {"echo M_PI, \" \", pi(), \"\\n\";", {}, "3.1415926535898 3.1415926535898\n"},
      {"echo $pct * 100 . \"%\\n\";", {value("pct=0.256")}, "25.6%\n"},
      {"echo \"n squared: \" . $n * $n . \"\\n\";", {value("n=7")}, "n squared: 49\n"},
      {"echo \"Avg: \" . round($total / $n, 2) . \"\\n\";",
       {value("n=7"), value("total=1234567.891")},
       "Avg: 176366.84\n"},
      {"echo chr(75), ord(\"K\"), \"\\n\";", {}, "K75\n"},
      {"echo number_format($pct * 100, 1) . \"%\", \"\\n\";", {value("pct=0.256")}, "25.6%\n"},
      {"echo join(\"-\", [\"a\", \"b\"]), \"\\n\";", {}, "a-b\n"},
      {"echo \"$n%\\n\";", {value("n=7")}, "7%\n"},
      {"echo \"[\" . str_pad((string)$n, 4, \"0\", STR_PAD_LEFT) . \"]\\n\";",
       {value("n=7")},
       "[0007]\n"},
      {"echo count([1, 2, 3]), array_sum([1, 2.5]), \"\\n\";", {}, "33.5\n"},
      {"echo $n === 7 ? 'seven' : 'other', \"\\n\";", {value("n=7")}, "seven\n"},
      {"echo !$flag ? \"a\" : \"b\", $n <> 7, \"\\n\";",
       {value("n=7"), value("flag=true:truth")},
       "b\n"},
      {"echo 1.23e5, \" \", 1e15, \" \", 1e14, \" \", 0.00001, \" \", 123456.789e3, \"\\n\";",
       {},
       "123000 1.0E+15 1.0E+14 1.0E-5 123456789\n"},
  };
  support::check_calls("php", calls);
}
