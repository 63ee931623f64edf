// Statements of PHP with arrays, lists, counts and choices, as people paste them. The texts are those
// that PHP 8.2 printed of the same lines; where there is none, its compiler or the program failed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::PastedLine lines[] = {
    {"$a = [1, 2]; foreach ($a as $x) { $x = 9; echo $x; } echo $a[0];", "991"},
    {"$name = \"ink\"; $price = 9.55; $qty = 3; printf(\"%-10s|%8.2f|%5d\\n\", $name, $price * "
     "$qty, $qty); echo sprintf(\"%'*10s|%+d\", $name, 5), \"\\n\";",
     "ink       |   28.65|    3\n*******ink|+5\n"},
    {"$name = \"ink\"; $price = 9.55; echo \"Name: $name, price: {$price}, total: \" . $price * 3 "
     ". \"\\n\"; echo 'single $name\\n', PHP_EOL;",
     "Name: ink, price: 9.55, total: 28.65\nsingle $name\\n\n"},
    {"echo 7 / 2, \" \", 6 / 2, \" \", -7 % 3, \" \", 1 / 3, \" \", 0.1 + 0.2, \" \", 1e20, \" \", "
     "\"5\" + \"3.5\", \" \", 2 ** 10, \" \", 7 <=> 3, \"\\n\"; var_dump(0.1 + 0.2); var_dump(1 == "
     "\"1\", \"a\" . 1);",
     "3.5 3 -1 0.33333333333333 0.3 1.0E+20 8.5 1024 "
     "1\nfloat(0.30000000000000004)\nbool(true)\nstring(2) \"a1\"\n"},
    {"echo number_format(1234567.891), number_format(1234567.891, 2), number_format(0.5), \"\\n\"; "
     "echo round(2.675, 2), \" \", round(-2.5), \" \", floor(7.9), \" \", ceil(7.1), \" \", "
     "intdiv(7, 2), \" \", fmod(7.5, 2), \"\\n\";",
     "1,234,5681,234,567.891\n2.68 -3 7 8 3 1.5\n"},
    {"$s = \"Hello\"; echo strlen($s), substr($s, 1, 3), $s[0], strtoupper($s), ucfirst(\"abc\"), "
     "str_repeat(\"-\", 5), strpos($s, \"l\"), strrev($s), str_replace(\"l\", \"L\", $s), \"\\n\";",
     "5ellHHELLOAbc-----2olleHHeLLo\n"},
    {"echo implode(\", \", [1, 2, 3]), \" \", count([1, 2]), \" \", implode(\",\", explode(\" \", "
     "\"a b c\")), \" \", array_sum([1.5, 2]), \" \", max(3, 7), \" \", min([4, 2]), \"\\n\"; echo "
     "str_pad(\"5\", 3, \"0\", STR_PAD_LEFT), \"\\n\";",
     "1, 2, 3 2 a,b,c 3.5 7 2\n005\n"},
    {"$items = [[\"name\" => \"ink\", \"price\" => 9.55], [\"name\" => \"nib\", \"price\" => "
     "120]]; foreach ($items as $item) { printf(\"%-10s%8.2f\\n\", $item[\"name\"], "
     "$item[\"price\"]); echo \"{$item['name']}\\n\"; }",
     "ink           9.55\nink\nnib         120.00\nnib\n"},
    {"$a = [3, 1, 2]; sort($a); echo implode(\",\", $a), \"\\n\"; print_r($a); var_dump($a); echo "
     "json_encode([\"a\" => 1, \"b\" => [1.5, \"x\"]]), \"\\n\";",
     "1,2,3\nArray\n(\n    [0] => 1\n    [1] => 2\n    [2] => 3\n)\narray(3) {\n  [0]=>\n  "
     "int(1)\n  [1]=>\n  int(2)\n  [2]=>\n  int(3)\n}\n{\"a\":1,\"b\":[1.5,\"x\"]}\n"},
    {"for ($i = 1; $i <= 3; $i++) { echo $i, $i < 3 ? \",\" : \"\\n\"; } $i = 0; while ($i < 3) { "
     "echo $i++, \" \"; } echo \"\\n\"; do { echo $i--; } while ($i > 0); echo \"\\n\";",
     "1,2,3\n0 1 2 \n321\n"},
    {"function add($a, $b) { return $a + $b; } echo add(2, 3), \"\\n\"; $f = fn($x) => $x * 2; "
     "echo $f(5), \"\\n\"; echo implode(\" \", array_map(fn($x) => $x ** 2, [1, 2, 3])), \"\\n\"; "
     "echo implode(\",\", array_filter([1, 2, 3, 4], fn($x) => $x % 2 == 0)), \"\\n\";",
     "5\n10\n1 4 9\n2,4\n"},
    {"print \"Hello\\n\"; print(\"x\" . PHP_EOL); echo \"a\\tb\", 'c', \"\\n\"; echo \"Sum: \" . "
     "(1 + 2) . \"\\n\"; echo \"$\" . number_format(9.5, 2) . \"\\n\"; printf(\"%05.1f %x %b %o %e "
     "%'010d %s\\n\", 3.14159, 255, 5, 8, 12345.678, 42, true);",
     "Hello\nx\na\tbc\nSum: 3\n$9.50\n003.1 ff 101 10 1.234568e+4 0000000042 1\n"},
    {"var_dump(1, 2.0, \"é\", true, null, 0.1 + 0.2, [1, \"x\"], [\"a\" => 1.5]);",
     "int(1)\nfloat(2)\nstring(2) \"é\"\nbool(true)\nNULL\nfloat(0.30000000000000004)\narray(2) "
     "{\n  [0]=>\n  int(1)\n  [1]=>\n  string(1) \"x\"\n}\narray(1) {\n  [\"a\"]=>\n  "
     "float(1.5)\n}\n"},
    {"var_export([1, 2.0, \"it's\", null, true]); var_export([\"a\" => [\"b\" => 1]]); "
     "var_export(1.0);",
     "array (\n  0 => 1,\n  1 => 2.0,\n  2 => 'it\\'s',\n  3 => NULL,\n  4 => true,\n)array (\n  "
     "'a' => \n  array (\n    'b' => 1,\n  ),\n)1.0"},
    {"echo json_encode([\"a\" => 1, \"b\" => [1.5, \"é/x\"], \"c\" => null, \"d\" => true, \"e\" "
     "=> 10.0]), \"\\n\"; echo json_encode([1, [2, 3]], JSON_PRETTY_PRINT), \"\\n\"; echo "
     "json_encode(\"x\\ty\\\"\");",
     "{\"a\":1,\"b\":[1.5,\"\\u00e9\\/x\"],\"c\":null,\"d\":true,\"e\":10}\n[\n    1,\n    [\n     "
     "   2,\n        3\n    ]\n]\n\"x\\ty\\\"\""},
    {"$a = [3, 1, 2]; sort($a); echo implode(\",\", $a); rsort($a); echo implode(\",\", $a); "
     "usort($a, fn($x, $y) => $x <=> $y); echo implode(\",\", $a);",
     "1,2,33,2,11,2,3"},
    {"$p = [\"b\" => 2, \"a\" => 3, \"c\" => 1]; ksort($p); echo json_encode($p); asort($p); echo "
     "json_encode($p); arsort($p); foreach ($p as $k => $v) echo \"$k=$v \";",
     "{\"a\":3,\"b\":2,\"c\":1}{\"c\":1,\"b\":2,\"a\":3}a=3 b=2 c=1 "},
    {"$f = fn($x) => $x * 2; echo $f(5), \" \", $f(1.5); function add($a, $b) { return $a + $b; } "
     "echo add(2, 3);",
     "10 35"},
    {"echo implode(\",\", array_map(fn($x) => $x ** 2, [1, 2, 3])), implode(\",\", "
     "array_filter([1, 2, 3, 4], fn($x) => $x % 2 == 0)), array_sum(array_filter([1, 0, 2])); echo "
     "implode(\" \", array_map(\"strtoupper\", [\"a\", \"b\"]));",
     "1,4,92,43A B"},
    {"echo array_reduce([1, 2, 3], fn($c, $x) => $c + $x, 0), \" \", count(array_filter([1, null, "
     "2])); print_r(array_slice([1, 2, 3, 4], 1, 2)); print_r(array_reverse([1, 2]));",
     "6 2Array\n(\n    [0] => 2\n    [1] => 3\n)\nArray\n(\n    [0] => 2\n    [1] => 1\n)\n"},
    {"[$a, $b] = [1, 2]; echo $a + $b; list($c, $d) = explode(\",\", \"x,y\"); echo $c . $d; [$a, "
     "$c] = [5, 6]; echo $a;",
     "3xy5"},
    {"$s = \"Hello\"; echo $s[0], $s[-1], \"{$s[1]}\", strpos($s, \"l\"), \" \", ucwords(\"a b\"), "
     "strrev(\"abc\"), \" \", 7 <=> 3, 2 <=> 3, \"a\" <=> \"a\";",
     "Hoe2 A Bcba 1-10"},
    {"echo date(\"Y-m-d H:i:s\", 0), \" \", date(\"D, d M Y\", 1000000000), \" \", date(\"jS F y, "
     "g:i a\", 951782400), \" \", date(\"N z t L\", 951782400), date(\"\\\\Y\\\\m\", 0);",
     "1970-01-01 00:00:00 Sun, 09 Sep 2001 29th February 00, 12:00 am 2 59 29 1Ym"},
    {"$n = 2; echo match($n) { 1 => \"one\", 2, 3 => \"few\", default => \"many\" }, match(true) { "
     "$n > 1 => \"big\", default => \"small\" };",
     "fewbig"},
    {"const W = 5; define(\"H\", 6); echo W * H; echo isset($q) ? \"set\" : \"unset\"; echo "
     "empty($q) ? \"e\" : \"f\"; echo $q ?? \"none\"; $c = [\"a\" => 1]; echo isset($c[\"b\"]) ? 1 "
     ": 0, $c[\"b\"] ?? \"d\", $c[\"a\"] ?? \"d\";",
     "30unsetenone0d1"},
    {"echo is_numeric(\"5\") ? \"y\" : \"n\", is_int(5) ? \"y\" : \"n\", gettype(1.5), "
     "gettype(\"x\"), gettype([1]), is_string(\"x\") ? 1 : 0, is_array([]) ? 1 : 0;",
     "yydoublestringarray11"},
    {"$i = 5; do { echo $i--, \" \"; } while ($i > 3); switch ($i) { case 3: echo \"three\"; "
     "break; default: echo \"other\"; } $j = 0; while ($j++ < 3) { echo $j; }",
     "5 4 three123"},
    {"$items = [[\"n\" => \"ink\", \"p\" => 9.55], [\"n\" => \"nib\", \"p\" => 2]]; usort($items, "
     "fn($a, $b) => $a[\"p\"] <=> $b[\"p\"]); foreach ($items as $it) { printf(\"%-5s%6.2f\\n\", "
     "$it[\"n\"], $it[\"p\"]); } echo array_sum(array_column($items, \"p\")), implode(\",\", "
     "array_column($items, \"n\"));",
     "nib    2.00\nink    9.55\n11.55nib,ink"},
    {"$w = []; foreach (explode(\" \", \"a b a\") as $x) { $w[$x] = ($w[$x] ?? 0) + 1; } "
     "arsort($w); print_r($w); echo in_array(\"a\", [\"a\", \"b\"]) ? \"in\" : \"out\", "
     "array_product([2, 3]), implode(\",\", array_merge([1], [2, 3]));",
     "Array\n(\n    [a] => 2\n    [b] => 1\n)\nin61,2,3"},
    {"$items = [\"ink\" => 9.55, \"nib\" => 120.0]; foreach ($items as $name => $price) { "
     "printf(\"%-10s%8.2f\\n\", $name, $price); }",
     "ink           9.55\nnib         120.00\n"},
    {"$xs = [3, 1, 2]; sort($xs); echo implode(\",\", $xs), PHP_EOL;", "1,2,3\n"},
    {"function add($a, $b) { return $a + $b; } echo add(2, 3), \"\\n\";", "5\n"},
    {"$f = fn($x) => $x * 2; echo $f(5), \"\\n\";", "10\n"},
    {"echo implode(\" \", array_map(fn($x) => $x ** 2, [1, 2, 3])), \"\\n\";", "1 4 9\n"},
    {"$xs = []; $xs[] = 1; $xs[] = 2; print_r($xs);", "Array\n(\n    [0] => 1\n    [1] => 2\n)\n"},
    {"var_dump(0.1 + 0.2, 1 <=> 2, \"5\" + 3);", "float(0.30000000000000004)\nint(-1)\nint(8)\n"},
    {"echo json_encode([\"a\" => 1, \"b\" => [1, 2]]), \"\\n\";", "{\"a\":1,\"b\":[1,2]}\n"},
    {"list($a, $b) = [1, 2]; echo $a + $b, \"\\n\";", "3\n"},
    {"echo date(\"Y-m-d\", 0), \"\\n\";", "1970-01-01\n"},
    {"$i = 0; while ($i < 3) { echo $i++, \" \"; } echo \"\\n\";", "0 1 2 \n"},
    {"$p = [\"ink\" => 9.55, \"nib\" => 2]; $p[\"pen\"] = 3.5; $p[\"ink\"] += 1; foreach ($p as $k "
     "=> $v) { echo \"$k: $v\\n\"; }",
     "ink: 10.55\nnib: 2\npen: 3.5\n"},
    {"$m = []; $m[\"a\"][\"b\"] = 1; $m[\"a\"][\"c\"] = 2; echo $m[\"a\"][\"c\"], "
     "count($m[\"a\"]), \"\\n\";",
     "22\n"},
    {"$c = []; foreach ([\"a\", \"b\", \"a\"] as $w) { if (!isset($c[$w])) $c[$w] = 0; $c[$w]++; } "
     "echo $c[\"a\"], \"\\n\";",
     "2\n"},
    {"echo implode(\",\", range(10, 1, 3)), array_sum([\"a\" => 1, \"b\" => 2]), implode(\",\", "
     "array_keys([\"x\" => 1])), \"\\n\";",
     "10,7,4,13x\n"},
    {"$rows = [[\"n\" => \"ink\", \"p\" => 9.5], [\"n\" => \"nib\", \"p\" => 2]]; foreach ($rows "
     "as $r) { printf(\"%-5s|%6.2f\\n\", $r[\"n\"], $r[\"p\"]); }",
     "ink  |  9.50\nnib  |  2.00\n"},
    {"foreach ([\"a\" => 1, \"b\" => 2] as $k => $v) { echo \"$k=$v\\n\"; }", "a=1\nb=2\n"},
    {"foreach (range(1, 3) as $i) echo $i, \" \";", "1 2 3 "},
};

}  // namespace

TEST_CASE("statements of PHP with arrays, lists and choices print what the runtime prints") {
  support::check_lines("php", lines);
}
