// Lines of PHP as people type them: arrays with keys, and what changes them. The texts are those that
// PHP 8.2 printed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::Line lines[] = {
    {"$items = [\"ink\" => 9.55, \"nib\" => 120.0]; foreach ($items as $name => $price) { "
     "printf(\"%-10s%8.2f\\n\", $name, $price); }",
     "ink           9.55\nnib         120.00\n"},
    {"$xs = [1, 2, 3]; echo implode(\", \", $xs), \"\\n\";", "1, 2, 3\n"},
    {"$total = array_sum([9.55, 2.0]); echo \"Total: \" . number_format($total, 2) . \"\\n\";",
     "Total: 11.55\n"},
    {"echo str_pad(\"ink\", 10, \".\") . str_pad(\"9.55\", 8, \" \", STR_PAD_LEFT) . \"\\n\";",
     "ink.......    9.55\n"},
    {"$name = \"ink\"; $qty = 3; echo \"$name has {$qty} items\\n\";", "ink has 3 items\n"},
    {"foreach (range(1, 3) as $i) { echo $i * $i, \" \"; }", "1 4 9 "},
    {"$s = sprintf(\"%05d|%x|%b\", 42, 255, 5); echo $s, \"\\n\";", "00042|ff|101\n"},
    {"$a = [\"x\" => 1]; echo $a[\"x\"], count($a), \"\\n\";", "11\n"},
    {"echo 7 / 2, \" \", intdiv(7, 2), \" \", 7 % 3, \" \", 2 ** 10, \"\\n\";", "3.5 3 1 1024\n"},
    {"echo round(2.675, 2), \" \", floor(-2.5), \" \", 0.1 + 0.2, \" \", 1e20, \"\\n\";",
     "2.68 -3 0.3 1.0E+20\n"},
    {"echo ucfirst(\"ink\"), strtoupper(\"a\"), strlen(\"héllo\"), strrev(\"abc\"), \"\\n\";",
     "InkA6cba\n"},
    {"for ($i = 0; $i < 3; $i++) { printf(\"%2d: %s\\n\", $i, str_repeat(\"*\", $i)); }",
     " 0: \n 1: *\n 2: **\n"},
    {"$x = 5; echo $x > 3 ? \"big\" : \"small\", \"\\n\";", "big\n"},
    {"printf(\"%s is %d years and %.1f%% done\\n\", \"Ann\", 30, 45.678);",
     "Ann is 30 years and 45.7% done\n"},
    {"echo number_format(1234567.891, 2, ',', '.'), \"\\n\";", "1.234.567,89\n"},
    {"$p = [\"ink\" => 9.55, \"nib\" => 2]; $p[\"pen\"] = 3.5; $p[\"ink\"] += 1; foreach ($p as $k "
     "=> $v) { echo \"$k: $v\\n\"; }",
     "ink: 10.55\nnib: 2\npen: 3.5\n"},
    {"$xs = [1, 2]; $ys = $xs; $ys[] = 3; echo count($xs), count($ys), \"\\n\";", "23\n"},
    {"$m = []; $m[\"a\"][\"b\"] = 1; $m[\"a\"][\"c\"] = 2; echo $m[\"a\"][\"c\"], "
     "count($m[\"a\"]), \"\\n\";",
     "22\n"},
    {"foreach ([3, 4] as $i => $x) { echo \"$i=$x \"; }", "0=3 1=4 "},
    {"$xs = [5, 6]; $xs[1] = 9; $xs[0]++; echo implode(\",\", $xs), \"\\n\";", "6,9\n"},
    {"echo implode(\",\", range(10, 1, 3)), array_sum([\"a\" => 1, \"b\" => 2]), implode(\",\", "
     "array_keys([\"x\" => 1])), \"\\n\";",
     "10,7,4,13x\n"},
    {"foreach ([\"a\" => 1, \"b\" => 2] as $v) echo $v, \";\";", "1;2;"},
    {"$rows = [[\"n\" => \"ink\", \"p\" => 9.5], [\"n\" => \"nib\", \"p\" => 2]]; foreach ($rows "
     "as $r) { printf(\"%-5s|%6.2f\\n\", $r[\"n\"], $r[\"p\"]); }",
     "ink  |  9.50\nnib  |  2.00\n"},
};

}  // namespace

TEST_CASE("lines of PHP print what the runtime prints") {
  support::check_statements("php", lines);
}

TEST_CASE("any beginning of a line of PHP is answered within its own length") {
  support::check_beginnings("php", lines);
}
