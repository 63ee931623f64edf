// Lines of Python as people type them: functions, loops, changes in place. The texts are those that
// CPython 3.11.2 printed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::Line lines[] = {
    {"f = lambda x: x * 2; print(f(5))", "10\n"},
    {"sq = lambda x: x ** 2\nprint([sq(i) for i in range(4)])", "[0, 1, 4, 9]\n"},
    {"print(list(map(lambda x: x + 1, [1, 2, 3])))", "[2, 3, 4]\n"},
    {"print(sorted([3, 1, 2], key=lambda x: -x))", "[3, 2, 1]\n"},
    {"print(sorted([\"bb\", \"a\", \"ccc\"], key=len), sorted([\"b\", \"A\"], key=str.lower))",
     "['a', 'bb', 'ccc'] ['A', 'b']\n"},
    {"print(max([{\"n\": 1}, {\"n\": 5}], key=lambda d: d[\"n\"]))", "{'n': 5}\n"},
    {"print(min([\"abc\", \"b\"], key=len), max([3, -7], key=abs))", "b -7\n"},
    {"d = {\"a\": 3, \"b\": 1}\nprint(max(d, key=d.get), sorted(d.items(), key=lambda kv: kv[1]))",
     "a [('b', 1), ('a', 3)]\n"},
    {"print(list(filter(lambda x: x % 2 == 0, range(10))), list(filter(None, [0, 1, \"\", "
     "\"x\"])))",
     "[0, 2, 4, 6, 8] [1, 'x']\n"},
    {"print(sum(map(lambda x: x * x, [1, 2, 3])))", "14\n"},
    {"def area(r):\n    return 3.14159 * r ** 2\n\nprint(f\"{area(2):.2f}\")", "12.57\n"},
    {"def add(a: int, b: int) -> int:\n    return a + b\nprint(add(2, 3))", "5\n"},
    {"xs = []\nfor i in range(3):\n    xs.append(i * i)\nprint(xs)", "[0, 1, 4]\n"},
    {"xs = [3, 1, 2]\nxs.sort()\nprint(xs)", "[1, 2, 3]\n"},
    {"xs = [1, 2, 3]\nxs[0] = 9\nxs[-1] += 5\nprint(xs, len(xs))", "[9, 2, 8] 3\n"},
    {"d = {}\nd[\"a\"] = 1\nd[\"b\"] = 2\nprint(d)", "{'a': 1, 'b': 2}\n"},
    {"counts = {}\nfor c in \"banana\":\n    counts[c] = counts.get(c, 0) + 1\nprint(counts)",
     "{'b': 1, 'a': 3, 'n': 2}\n"},
    {"for k, v in {\"x\": 1.5, \"y\": 2}.items():\n    print(f\"{k}: {v:>6.2f}\")",
     "x:   1.50\ny:   2.00\n"},
    {"a, b = 1, 2\na, b = b, a\nprint(a, b)", "2 1\n"},
    {"x, y, z = [1, 2, 3]\nprint(x + y + z)", "6\n"},
    {"name, qty, price = \"ink\", 3, 9.55\nprint(f\"{name:<10}{qty:>4}{price:>8.2f}\")",
     "ink          3    9.55\n"},
    {"xs = [1, 2]\nys = xs[:]\nys.append(3)\nprint(xs, ys)", "[1, 2] [1, 2, 3]\n"},
    {"xs = [1, 2]\nys = list(xs)\nxs.append(3)\nprint(xs, ys)", "[1, 2, 3] [1, 2]\n"},
    {"rows = [[1, 2], [3]]\nrows[0].append(9)\nprint(rows)", "[[1, 2, 9], [3]]\n"},
    {"stack = [1, 2]\ntop = stack.pop()\nprint(top, stack)", "2 [1]\n"},
    {"xs = [1, 2, 3]\ndel xs[0]\nprint(xs)", "[2, 3]\n"},
    {"d = {\"a\": 1}\nd.update({\"b\": 2})\nprint(d)", "{'a': 1, 'b': 2}\n"},
    {"d = {\"a\": 1}\ndel d[\"a\"]\nprint(d)", "{}\n"},
    {"xs = [1, 2, 3]\nxs.insert(0, 0)\nxs.extend([4, 5])\nxs.reverse()\nprint(xs)",
     "[5, 4, 3, 2, 1, 0]\n"},
    {"def greet(name):\n    return f\"Hello, {name}!\"\nprint(greet(\"ink\"))", "Hello, ink!\n"},
    {"fact = lambda n: 1 if n <= 1 else n * fact(n - 1)\nprint(fact(5))", "120\n"},
    {"print(list(map(str, [1, 2])), \", \".join(map(lambda p: f\"{p:.1f}\", [1.25, 2.5])))",
     "['1', '2'] 1.2, 2.5\n"},
    {"words = [\"ink\", \"nib\"]\nfor i, w in enumerate(words, 1):\n    print(i, w)",
     "1 ink\n2 nib\n"},
    {"total = 0\nfor p, q in [(9.55, 3), (2, 5)]:\n    total += p * q\nprint(f\"Total: "
     "{total:.2f}\")",
     "Total: 38.65\n"},
    {"items = [(\"ink\", 9.55), (\"nib\", 120.0)]\nfor n, p in sorted(items, key=lambda t: t[1], "
     "reverse=True):\n    print(f\"{n:<6}|{p:>8.2f}\")",
     "nib   |  120.00\nink   |    9.55\n"},
    {"inv = [{\"sku\": \"K-07\", \"qty\": 3}, {\"sku\": \"Z-1\", \"qty\": 12}]\nfor it in inv:\n   "
     " print(f\"{it['sku']:<8}{it['qty']:>4}\")",
     "K-07       3\nZ-1       12\n"},
    {"inv = [{\"sku\": \"K-07\", \"qty\": 3}]\ninv[0][\"qty\"] += 1\nprint(inv)",
     "[{'sku': 'K-07', 'qty': 4}]\n"},
    {"print(sorted({\"b\": 1, \"a\": 2}), [w.upper() for w in \"a b\".split()])",
     "['a', 'b'] ['A', 'B']\n"},
    {"print(*map(lambda x: x * 2, [1, 2]), sep=\", \")", "2, 4\n"},
    {"m = [[1, 2], [3, 4]]\nprint([list(r) for r in zip(*m)])", "[[1, 3], [2, 4]]\n"},
    {"print(list(zip([1, 2], \"ab\")), dict(a=1), dict([(\"x\", 1)]))",
     "[(1, 'a'), (2, 'b')] {'a': 1} {'x': 1}\n"},
    {"print([x * y for x in [1, 2] for y in [3, 4]])", "[3, 4, 6, 8]\n"},
    {"print([i for i in range(10) if i % 2 if i > 3], any(x > 2 for x in [1, 3]))",
     "[5, 7, 9] True\n"},
    {"print(f\"{'nested ' + str(1 + 1)!r:>12}\", f\"{3.14159:.{2}f}\", f\"{max([1, 2])=}\")",
     "  'nested 2' 3.14 max([1, 2])=2\n"},
    {"x = 5\nprint(\"big\" if x > 3 else \"small\")", "big\n"},
    {"print(\"%s has %d items at %.2f\" % (\"ink\", 3, 9.5))", "ink has 3 items at 9.50\n"},
    {"print(\"{:>8} {:<5}|\".format(\"ink\", 3), \"{0}{1}{0}\".format(\"a\", \"b\"))",
     "     ink 3    | aba\n"},
    {"print(round(2.675, 2), round(2.5), round(-0.5), 7 // 2, -7 // 2, -7 % 3, 2 ** 0.5)",
     "2.67 2 0 3 -4 2 1.4142135623730951\n"},
    {"print(1e16, 1e15, 0.1 + 0.2, 1 / 3, 100.0, 1e-5, 123456789.123456789)",
     "1e+16 1000000000000000.0 0.30000000000000004 0.3333333333333333 100.0 1e-05 "
     "123456789.12345679\n"},
    {"print([1.0, \"a\", None, True], (1,), {\"k\": [1, 2]})",
     "[1.0, 'a', None, True] (1,) {'k': [1, 2]}\n"},
    {"print(type(5).__name__, isinstance(5, int), len(\"héllo\"))", "int True 5\n"},
    {"print(\"a,b\".split(\",\"), \"abc\"[::-1], \"abc\"[1:], \"x\" * 3, \"a\" in \"abc\")",
     "['a', 'b'] cba bc xxx True\n"},
    {"import math\nprint(math.pi, math.floor(2.7), f\"{math.sqrt(2):.4f}\")",
     "3.141592653589793 2 1.4142\n"},
    {"print(format(1234567.891, \",.2f\"), format(255, \"x\"), f\"{1e6:e}\")",
     "1,234,567.89 ff 1.000000e+06\n"},
    {"print(hex(255), bin(5), oct(8), int(\"ff\", 16), int(\"101\", 2), ord(\"a\"), chr(98))",
     "0xff 0b101 0o10 255 5 97 b\n"},
    {"print(\"=\" * 20)\nprint(f\"{'Item':<10}{'Qty':>5}{'Price':>5}\")",
     "====================\nItem        QtyPrice\n"},
    {"n = 3\nwhile n > 0:\n    print(n, end=\" \")\n    n -= 1\nprint(\"done\")", "3 2 1 done\n"},
    {"xs = [5, 3, 8]\nprint(f\"min={min(xs)} max={max(xs)} avg={sum(xs)/len(xs):.2f}\")",
     "min=3 max=8 avg=5.33\n"},
    {"print(sum([0.1] * 10), sum(x for x in [1, 2]), abs(-3.5), divmod(7, 2), pow(2, 10))",
     "0.9999999999999999 3 3.5 (3, 1) 1024\n"},
    {"print(\"Name\".ljust(10) + \"Qty\".rjust(5), \"42\".zfill(5), \"ink\".center(9, \"*\"))",
     "Name        Qty 00042 ***ink***\n"},
    {"print(f\"{1234567:,}\", f\"{0.256:.1%}\", f\"{42:08b}\", f\"{-5:+d}\", f\"{'x':^5}|\")",
     "1,234,567 25.6% 00101010 -5   x  |\n"},
    {"print(\"a\\tb\", repr(\"a\\n\"), r\"\\n\", \"it's\", 'say \"hi\"')",
     "a\tb 'a\\n' \\n it's say \"hi\"\n"},
    {"print(not True, True and 0, None or \"x\", 1 < 2 < 3, 1 == 1.0)", "False 0 x True True\n"},
    {"prices = {\"ink\": 9.55, \"nib\": 120.0}\nfor name, price in prices.items():\n    "
     "print(f\"{name:<10}{price:>10.2f}\")\nprint(f\"{'Total':<10}{sum(prices.values()):>10.2f}\")",
     "ink             9.55\nnib           120.00\nTotal         129.55\n"},
    {"data = [(\"a\", 1), (\"b\", 22), (\"c\", 333)]\nw = max(len(n) for n, _ in data)\nfor n, v "
     "in data:\n    print(f\"{n:>{w}} | {v:5d}\")",
     "a |     1\nb |    22\nc |   333\n"},
    {"nums = [1, 2, 3, 4]\nevens = [n for n in nums if n % 2 == 0]\nprint(evens, sum(evens) / "
     "len(evens))",
     "[2, 4] 3.0\n"},
    {"text = \"the quick brown fox\"\nprint(\" \".join(w.capitalize() for w in text.split()))",
     "The Quick Brown Fox\n"},
    {"text = \"hello world\"\nfreq = {}\nfor ch in text:\n    if ch.isalpha():\n        freq[ch] = "
     "freq.get(ch, 0) + 1\nfor k in sorted(freq):\n    print(k, freq[k])",
     "d 1\ne 1\nh 1\nl 3\no 2\nr 1\nw 1\n"},
    {"matrix = [[1, 2, 3], [4, 5, 6]]\nfor row in matrix:\n    print(\" \".join(f\"{x:3d}\" for x "
     "in row))",
     "  1   2   3\n  4   5   6\n"},
    {"matrix = [[1, 2], [3, 4]]\nt = [[row[i] for row in matrix] for i in range(2)]\nprint(t)",
     "[[1, 3], [2, 4]]\n"},
    {"def fmt(x, n):\n    return f\"{x:.{n}f}\"\nprint(fmt(3.14159, 3))", "3.142\n"},
    {"def area(w, h):\n    return w * h\nfor w, h in [(2, 3), (4, 5)]:\n    print(w, h, area(w, "
     "h))",
     "2 3 6\n4 5 20\n"},
    {"fib = [0, 1]\nwhile len(fib) < 10:\n    fib.append(fib[-1] + fib[-2])\nprint(fib)",
     "[0, 1, 1, 2, 3, 5, 8, 13, 21, 34]\n"},
    {"xs = [3, 1, 2]\nys = sorted(xs)\nxs.append(0)\nprint(xs, ys)", "[3, 1, 2, 0] [1, 2, 3]\n"},
    {"total = 0.0\nfor i, x in enumerate([0.1, 0.2, 0.3]):\n    total += x\n    print(i, total)",
     "0 0.1\n1 0.30000000000000004\n2 0.6000000000000001\n"},
    {"names = [\"Ann\", \"Bob\"]\nages = [30, 25]\nfor n, a in zip(names, ages):\n    print(f\"{n} "
     "is {a} years old\")",
     "Ann is 30 years old\nBob is 25 years old\n"},
    {"d = dict(zip([\"a\", \"b\"], [1, 2]))\nprint(d, list(d.keys()), list(d.values()))",
     "{'a': 1, 'b': 2} ['a', 'b'] [1, 2]\n"},
    {"x = 10\ny = 3\nprint(f\"{x} / {y} = {x / y:.3f}, {x // y}, {x % y}\")",
     "10 / 3 = 3.333, 3, 1\n"},
    {"print(\"\\n\".join(f\"{i:2d} x 7 = {i * 7:3d}\" for i in range(1, 4)))",
     " 1 x 7 =   7\n 2 x 7 =  14\n 3 x 7 =  21\n"},
    {"s = \"ink\"\nprint(s.upper(), s.title(), s.replace(\"i\", \"I\"), s.find(\"k\"), s * 2, "
     "s[::-1])",
     "INK Ink Ink 2 inkink kni\n"},
    {"print(f\"{'Name':<10}|{'Price':>8}\")\nprint(\"-\" * "
     "19)\nprint(f\"{'ink':<10}|{9.5:>8.2f}\")",
     "Name      |   Price\n-------------------\nink       |    9.50\n"},
    {"n = 5\nprint(\"even\" if n % 2 == 0 else \"odd\")\nif n > 3:\n    print(\"big\")\nelif n > "
     "1:\n    print(\"mid\")\nelse:\n    print(\"small\")",
     "odd\nbig\n"},
    {"i = 0\nwhile True:\n    i += 1\n    if i == 3:\n        break\n    print(i)", "1\n2\n"},
    {"values = [1.5, 2.25, 3.125]\nprint(\", \".join(map(str, values)))\nprint([\"%.1f\" % v for v "
     "in values])",
     "1.5, 2.25, 3.125\n['1.5', '2.2', '3.1']\n"},
    {"print(\"%-10s|%5d|%8.3f\" % (\"ink\", 42, 3.14159))", "ink       |   42|   3.142\n"},
    {"print(\"Total: ${:,.2f}\".format(1234567.891))", "Total: $1,234,567.89\n"},
    {"print(\"{name} is {age}\".format(name=\"Ann\", age=30))", "Ann is 30\n"},
    {"items = [{\"n\": \"ink\", \"p\": 9.55}, {\"n\": \"nib\", \"p\": 2.0}]\nprint(sum(i[\"p\"] "
     "for i in items), max(items, key=lambda i: i[\"p\"])[\"n\"])",
     "11.55 ink\n"},
    {"a = [1, 2, 3]\na += [4]\na.remove(2)\nprint(a, 3 in a, a.index(3), a.count(1))",
     "[1, 3, 4] True 1 1\n"},
    {"a = [1, 2, 3]\nb = a.copy()\nb.append(4)\nprint(a, b)", "[1, 2, 3] [1, 2, 3, 4]\n"},
    {"s = \"a1b2\"\nprint(\"\".join(c for c in s if c.isdigit()), [c for c in s if not "
     "c.isdigit()])",
     "12 ['a', 'b']\n"},
    {"print(list(range(5)), list(range(10, 0, -3)), list(reversed([1, 2])), "
     "list(enumerate(\"ab\")))",
     "[0, 1, 2, 3, 4] [10, 7, 4, 1] [2, 1] [(0, 'a'), (1, 'b')]\n"},
    {"print(max(3, 7), min([4, 2]), sum([1, 2]), round(3.14159, 2), abs(-2), len(\"abc\"))",
     "7 2 3 3.14 2 3\n"},
    {"q, r = divmod(17, 5)\nprint(q, r)", "3 2\n"},
    {"a, *rest = [1, 2, 3]\nprint(a, rest)", "1 [2, 3]\n"},
    {"x = y = 5\nprint(x, y)", "5 5\n"},
    {"print(3 == 3.0, \"a\" < \"b\", [1, 2] == [1, 2], None is None, 1 in [1], \"x\" not in "
     "\"abc\")",
     "True True True True True True\n"},
    {"print(bool([]), bool(\"x\"), not 0, int(\"42\"), float(\"3.5\"), str(1.0), int(3.9))",
     "False True True 42 3.5 1.0 3\n"},
    {"print(0.1 + 0.2, 1e100, 2 ** 100, 10 / 3, 1_000_000, 0xff, 3e-5)",
     "0.30000000000000004 1e+100 1267650600228229401496703205376 3.3333333333333335 1000000 255 "
     "3e-05\n"},
    {"celsius = [0, 37, 100]\nprint([f\"{c * 9 / 5 + 32:.1f}F\" for c in celsius])",
     "['32.0F', '98.6F', '212.0F']\n"},
    {"print(f\"{255:#x} {255:b} {255:o} {1e9:.2e} {0.5:.0%}\")",
     "0xff 11111111 377 1.00e+09 50%\n"},
    {"from math import sqrt, pi\nprint(f\"{sqrt(2):.4f} {pi:.2f}\")", "1.4142 3.14\n"},
    {"def greet(name=\"world\"):\n    return \"Hello \" + name\nprint(greet())", "Hello world\n"},
    {"def is_prime(n):\n    return n > 1 and all(n % i for i in range(2, int(n ** 0.5) + "
     "1))\nprint([n for n in range(20) if is_prime(n)])",
     "[2, 3, 5, 7, 11, 13, 17, 19]\n"},
    {"square = lambda x: x * x\nprint(list(map(square, range(4))), square(1.5))",
     "[0, 1, 4, 9] 2.25\n"},
    {"words = [\"banana\", \"fig\", \"apple\"]\nwords.sort(key=len)\nprint(words)",
     "['fig', 'apple', 'banana']\n"},
    {"words = [\"banana\", \"fig\", \"apple\"]\nprint(sorted(words, key=lambda w: (len(w), w)), "
     "sorted(words, reverse=True))",
     "['fig', 'apple', 'banana'] ['fig', 'banana', 'apple']\n"},
    {"xs = [1, 2, 3]\nprint(*xs)\nprint(*xs, sep=\"-\")\nprint(\"a\", \"b\", sep=\"\", "
     "end=\"!\\n\")",
     "1 2 3\n1-2-3\nab!\n"},
    {"print([x if x > 0 else -x for x in [-1, 2]], [(x, y) for x in range(2) for y in \"ab\"])",
     "[1, 2] [(0, 'a'), (0, 'b'), (1, 'a'), (1, 'b')]\n"},
    {"print(sum(1 for c in \"banana\" if c == \"a\"), any(c == \"z\" for c in \"abc\"), "
     "\"banana\".count(\"an\"))",
     "3 False 2\n"},
    {"t = (1, 2.5, \"x\")\nprint(t, t[0], len(t), t + (4,))",
     "(1, 2.5, 'x') 1 3 (1, 2.5, 'x', 4)\n"},
    {"print(str(3.0) + \"x\", repr(\"it's\"), ascii(\"é\"), f\"{'é'!a}\", f\"{3.0!s:>6}\")",
     "3.0x \"it's\" '\\xe9' '\\xe9'    3.0\n"},
    {"name = \"ink\"\nprint(f\"{name=}\", f\"{name!r:>8}\", f\"{len(name)=}\")",
     "name='ink'    'ink' len(name)=3\n"},
    {"print(\"yes\" * (3 > 2), \"Hello\"[1:4], \"Hello\"[-3:], \"abc\".index(\"c\"))",
     "yes ell llo 2\n"},
    {"x = 1234.5678\nprint(f\"{x:10.2f}|{x:<10.2f}|{x:^10.2f}|{x:+.1f}|{x:,.3f}|{x:e}|{x:g}\")",
     "   1234.57|1234.57   | 1234.57  |+1234.6|1,234.568|1.234568e+03|1234.57\n"},
    {"for i in range(3):\n    for j in range(2):\n        print(i, j, i * j)",
     "0 0 0\n0 1 0\n1 0 0\n1 1 1\n2 0 0\n2 1 2\n"},
    {"print(\"a b  c\".split(), \"a,b,\".split(\",\"), \"x=1\".partition(\"=\"), \" pad \".strip() "
     "+ \"|\")",
     "['a', 'b', 'c'] ['a', 'b', ''] ('x', '=', '1') pad|\n"},
    {"print(\"{:05.1f}\".format(3.14159), \"{:>10}\".format(\"ink\"), \"{:*^9}\".format(\"x\"), "
     "\"{0:d} {0:x}\".format(255))",
     "003.1        ink ****x**** 255 ff\n"},
    {"*init, last = \"abc\"\nprint(init, last)", "['a', 'b'] c\n"},
    {"def f(x, n=2):\n    return round(x, n)\nprint(f(2.34567), f(2.34567, 3))", "2.35 2.346\n"},
    {"g = lambda a, b=10: a + b\nprint(g(1), g(1, 2))", "11 3\n"},
    {"xs = [1, 2, 3]\nxs.sort(reverse=True)\nprint(xs)", "[3, 2, 1]\n"},
    {"words = [\"b\", \"A\"]\nwords.sort(key=str.lower)\nprint(words)", "['A', 'b']\n"},
    {"d = {\"a\": [1]}\nd[\"a\"].append(2)\nprint(d)", "{'a': [1, 2]}\n"},
    {"d = {\"a\": {\"b\": 1}}\nd[\"a\"][\"b\"] += 5\nprint(d)", "{'a': {'b': 6}}\n"},
    {"for k in sorted({\"b\": 1, \"a\": 2}):\n    print(k)", "a\nb\n"},
    {"for i in reversed(range(3)):\n    print(i, end=\" \")\nprint()", "2 1 0 \n"},
    {"x = 5\nx = x + 1 if x > 3 else x\nprint(x)", "6\n"},
    {"s = \"\"\nfor c in \"abc\":\n    s = c + s\nprint(s)", "cba\n"},
    {"print(1, 2, 3, sep=\", \", end=\".\\n\")", "1, 2, 3.\n"},
    {"print(f\"{1 + 1} {2 * 3:>5} {'a' + 'b'!r}\")", "2     6 'ab'\n"},
    {"total = sum(x[\"p\"] * x[\"q\"] for x in [{\"p\": 2.5, \"q\": 2}, {\"p\": 1.0, \"q\": "
     "3}])\nprint(f\"{total:.2f}\")",
     "8.00\n"},
    {"table = [(\"ink\", 3, 9.55), (\"paper\", 12, "
     "120.0)]\nprint(f\"{'item':<8}{'qty':>4}{'price':>9}\")\nfor item, qty, price in table:\n    "
     "print(f\"{item:<8}{qty:>4}{price:>9.2f}\")",
     "item     qty    price\nink        3     9.55\npaper     12   120.00\n"},
    {"rate = 0.075\nfor year in range(1, 4):\n    amount = 1000 * (1 + rate) ** year\n    "
     "print(f\"Year {year}: {amount:,.2f}\")",
     "Year 1: 1,075.00\nYear 2: 1,155.62\nYear 3: 1,242.30\n"},
    {"temps = {\"mon\": 21.5, \"tue\": 19.25}\navg = sum(temps.values()) / "
     "len(temps)\nprint(f\"avg {avg:.1f}, max {max(temps.values())}, hottest {max(temps, "
     "key=temps.get)}\")",
     "avg 20.4, max 21.5, hottest mon\n"},
    {"n = 12345\nprint(str(n)[::-1], sum(int(c) for c in str(n)), len(str(n)))", "54321 15 5\n"},
    {"a = [1, 2, 3]\nb = [4, 5, 6]\nprint([x * y for x, y in zip(a, b)], sum(x * y for x, y in "
     "zip(a, b)))",
     "[4, 10, 18] 32\n"},
    {"print([[0] * 3 for _ in range(2)], [None] * 2, list(\"abc\"), tuple([1, 2]))",
     "[[0, 0, 0], [0, 0, 0]] [None, None] ['a', 'b', 'c'] (1, 2)\n"},
    {"s = \"Hello, World\"\nprint(s.lower().count(\"l\"), s.split(\", \"), s.startswith(\"Hell\"), "
     "s.swapcase())",
     "3 ['Hello', 'World'] True hELLO, wORLD\n"},
    {"print(\"%d%%\" % 50, \"%5.1f%%\" % 12.345, \"%s\" % [1, 2], \"%r\" % \"a\", \"%x\" % 255, "
     "\"%e\" % 12345.678)",
     "50%  12.3% [1, 2] 'a' ff 1.234568e+04\n"},
    {"print(3 > 2 > 1, (1, 2) < (1, 3), [1, 2] + [3], (1,) * 3, not [], 5 & 3, 5 | 3, 5 ^ 3, 1 << "
     "4, \n5)",
     "True True [1, 2, 3] (1, 1, 1) True 1 7 6 16 5\n"},
    {"print(round(1.005, 2), round(2.5), round(3.5), round(1234.5678, -2), round(5), int(-3.7))",
     "1.0 2 4 1200.0 5 -3\n"},
    {"print(\"caf\\u00e9\", \"tab\\tx\", \"nl\\\\n\", 'q\"q', \"\\x41\", r\"\\d\", len(\"\\n\"))",
     "café tab\tx nl\\n q\"q A \\d 1\n"},
    {"a = [1]\na += [4]\nprint(a)", "[1, 4]\n"},
    {"total = 0\nstart = total\ntotal += 5\nprint(total, start)", "5 0\n"},
    {"s = \"a\"\nt = s\ns += \"b\"\nprint(s, t)", "ab a\n"},
    {"xs = []\nfor i in range(3):\n    xs += [i]\nprint(xs)", "[0, 1, 2]\n"},
};

// What these change, another name may stand for: each prints something that is not said here.
constexpr const char* shared[] = {
    "xs = [1, 2]\nys = xs\nys.append(3)\nprint(xs)",
    "rows = [[0] * 2] * 2\nrows[0][0] = 5\nprint(rows)",
    "a = [1]\nb = a\na += [4]\nprint(b)",
    "x = 3\ndef f(a, b=x):\n    return a + b\nx = 10\nprint(f(1))",
    "fs = []\nfor i in range(2):\n    fs.append(lambda: i)\nprint([f() for f in fs])",
    "xs = [1, 2]\nd = {'a': xs}\nxs.append(3)\nprint(d)",
    "rows = [[1], [2]]\nfirst = rows[0]\nfirst.append(3)\nprint(rows)",
    "rows = [[1], [2]]\nfor r in rows:\n    r.append(3)\nprint(rows)",
    "rows = [[1], [2]]\ncopy = rows[:]\nrows[0].append(3)\nprint(copy)",
    "xs = [1, 2]\nprint(xs.pop(), xs)",
    "def f(a):\n    return a.append(1)\nxs = []\nf(xs)\nprint(xs)",
    "import numpy as np\nprint(np.array([1]))",
    "try:\n    print(1)\nexcept ValueError:\n    print(2)",
    "class A:\n    pass\nprint(A)",
    "print(list(set([3, 1, 2])))",
};

}  // namespace

TEST_CASE("lines of Python print what the runtime prints") {
  support::check_statements("python", lines);
}

TEST_CASE("any beginning of a line of Python is answered within its own length") {
  support::check_beginnings("python", lines);
}

TEST_CASE("a change in Python of what another name may stand for is not guessed") {
  for (const char* source : shared) {
    INFO(source);
    CHECK(support::is_not_supported("python", source));
  }
}
