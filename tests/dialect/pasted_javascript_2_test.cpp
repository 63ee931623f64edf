// Lines of JavaScript as people type them. The texts are those that Node.js 20.20.2 printed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::Line lines[] = {
    {"console.log(new Date(\"2031-05-09T14:05:07Z\").toLocaleString(\"en-US\"))",
     "5/9/2031, 2:05:07 PM\n"},
    {"console.log(new Date(\"2031-05-09T14:05:07Z\").toLocaleDateString(\"en-US\", {weekday: "
     "\"long\", year: \"numeric\", month: \"long\", day: \"numeric\"}))",
     "Friday, May 9, 2031\n"},
    {"console.log(new Date(\"2031-05-09T14:05:07Z\").toLocaleTimeString(\"en-US\", {hour: "
     "\"2-digit\", minute: \"2-digit\"}))",
     "02:05 PM\n"},
    {"console.log(new Intl.DateTimeFormat(\"de-DE\", {dateStyle: \"full\", timeStyle: \"short\", "
     "timeZone: \"UTC\"}).format(new Date(0)))",
     "Donnerstag, 1. Januar 1970 um 00:00\n"},
    {"console.log(new Date(\"May 9, 2031 14:05\").getMonth(), new Date(\"2031/05/09\").getDay())",
     "4 5\n"},
    {"console.log((0.256).toLocaleString(\"en-US\", {style: \"percent\", minimumFractionDigits: "
     "1}))",
     "25.6%\n"},
    {"console.log((-1234.5).toLocaleString(\"en-US\", {style: \"currency\", currency: \"USD\", "
     "currencySign: \"accounting\"}))",
     "($1,234.50)\n"},
    {"console.log((5).toLocaleString(\"en-US\", {style: \"unit\", unit: \"liter\", unitDisplay: "
     "\"long\"}))",
     "5 liters\n"},
    {"console.log((1).toLocaleString(\"de-DE\", {style: \"unit\", unit: \"day\", unitDisplay: "
     "\"long\"}))",
     "1 Tag\n"},
    {"console.log((123456).toLocaleString(\"en-US\", {maximumSignificantDigits: 3}))", "123,000\n"},
    {"console.log((987654321).toLocaleString(\"en-US\", {notation: \"scientific\"}), "
     "(12345).toLocaleString(\"en-US\", {notation: \"engineering\"}))",
     "9.877E8 12.345E3\n"},
    {"console.log((999999).toLocaleString(\"en-US\", {notation: \"compact\"}), "
     "(1234567).toLocaleString(\"de-DE\", {notation: \"compact\", compactDisplay: \"long\"}))",
     "1M 1,2 Millionen\n"},
    {"console.log((5).toLocaleString(\"en-US\", {signDisplay: \"always\"}), "
     "(0).toLocaleString(\"en-US\", {signDisplay: \"exceptZero\"}))",
     "+5 0\n"},
    {"console.log((19.99).toLocaleString(\"fr-FR\", {style: \"currency\", currency: \"EUR\", "
     "currencyDisplay: \"name\"}))",
     "19,99 euros\n"},
    {"const usd = new Intl.NumberFormat(\"en-US\", {style: \"currency\", currency: \"USD\"}); "
     "console.log(usd.format(9.5), usd.format(-0.001))",
     "$9.50 -$0.00\n"},
    {"const add = (a, b = 2) => a + b; console.log(add(1), add(1, 5))", "3 6\n"},
    {"const area = (r) => { const q = r * r; return 3 * q; }; console.log(area(2))", "12\n"},
    {"const sign = n => { if (n < 0) return \"-\"; else if (n > 0) return \"+\"; return \"0\" }; "
     "console.log(sign(-1), sign(0), sign(2))",
     "- 0 +\n"},
    {"const d = new Date(\"2031-05-09T14:05:07Z\"); console.log(d.getFullYear(), d.getTime())",
     "2031 1936101907000\n"},
    {"const m = new Map([[\"a\", 1], [\"b\", 2]]); console.log(m.get(\"b\"), m.size, "
     "[...m.keys()])",
     "2 2 [ 'a', 'b' ]\n"},
    {"const s = new Set([3, 1, 3]); console.log(s.size, s.has(1), [...s])", "2 true [ 3, 1 ]\n"},
    {"const re = /(\\d+)/; console.log(\"a12\".replace(re, \"<$1>\"))", "a<12>\n"},
    {"const {x, ...rest} = {x: 1, y: 2, z: 3}; console.log(x, rest)", "1 { y: 2, z: 3 }\n"},
    {"console.log({...{a: 1}, b: 2}, [...[1, 2], 3])", "{ a: 1, b: 2 } [ 1, 2, 3 ]\n"},
    {"const k = \"a\"; console.log({[k]: 1, k})", "{ a: 1, k: 'a' }\n"},
    {"console.log(Array.from({length: 3}, (_, i) => i ** 2), Array.of(1, 2), Array(3).fill(0))",
     "[ 0, 1, 4 ] [ 1, 2 ] [ 0, 0, 0 ]\n"},
    {"console.log([3, 1, 2].toSorted(), [1, 2, 3].at(-1), [1, [2, [3, [4]]]].flat(Infinity))",
     "[ 1, 2, 3 ] 3 [ 1, 2, 3, 4 ]\n"},
    {"console.log([1, 2, 3, 4].findIndex(x => x > 2), [1, 2, 3].findLast(x => x < 3), [5, "
     "1].flatMap(x => [x, x * 2]))",
     "2 2 [ 5, 10, 1, 2 ]\n"},
    {"console.log([1, 2, 3].includes(2), [...\"héllo\"].length, [[1, 2], [3]].map(a => a.length))",
     "true 5 [ 2, 1 ]\n"},
    {"console.log(JSON.stringify({d: new Date(0), f: undefined, n: null, a: [undefined]}), "
     "JSON.stringify({a: 1, b: 2}, [\"a\"]), JSON.stringify([1], null, \"--\"))",
     "{\"d\":\"1970-01-01T00:00:00.000Z\",\"n\":null,\"a\":[null]} {\"a\":1} [\n--1\n]\n"},
    {"console.log(JSON.parse('[1, {\"x\": \"\\\\u0041\"}]'))", "[ 1, { x: 'A' } ]\n"},
    {"console.log(\"%j|%O|%s\", {a: 1}, {b: [1, 2]}, [1, 2])",
     "{\"a\":1}|{ b: [ 1, 2 ] }|[ 1, 2 ]\n"},
    {"console.log(\"%d %i %f\", \"42.5\", \"42.5\", \"42.5x\")", "42.5 42 42.5\n"},
    {"console.log(typeof (() => 1), typeof /x/, typeof null, typeof undefined)",
     "function object object undefined\n"},
    {"console.log([1, 2, 3].reduce((a, b) => a + b), [[1, 2], [3, 4]].map(([a, b]) => a * b))",
     "6 [ 2, 12 ]\n"},
    {"console.log([{n: \"ink\", p: 9.5}, {n: \"nib\", p: 2}].sort((a, b) => a.p - b.p).map(o => "
     "o.n))",
     "[ 'nib', 'ink' ]\n"},
    {"console.log([{n: \"ink\", p: 9.5}, {n: \"nib\", p: 2}].map(({n, p}) => n.padEnd(6) + "
     "p.toFixed(2).padStart(8)).join(\"\\n\"))",
     "ink       9.50\nnib       2.00\n"},
    {"console.log(String.raw`a\\nb`, encodeURIComponent(\"é/?\"), decodeURIComponent(\"%41\"))",
     "a\\nb %C3%A9%2F%3F A\n"},
    {"console.log(new Error(\"bad\").message, `${new TypeError(\"x\")}`)", "bad TypeError: x\n"},
    {"console.log(Date.UTC(2031, 4, 9), Date.parse(\"2031-05-09\"))",
     "1936051200000 1936051200000\n"},
    {"console.log(Math.fround(5.5), Math.sign(-3))", "5.5 -1\n"},
    {"console.log([1, 2] + \"\", [] + [], {} + \"\", [] == false, [1] == 1, null ?? \"x\")",
     "1,2  [object Object] true true x\n"},
    {"console.log((x => x * 2)(4), (function (a) { return a + 1 })(1))", "8 2\n"},
    {"console.log([10, 9, 1].sort(), [\"b\", undefined, \"a\"].sort())",
     "[ 1, 10, 9 ] [ 'a', 'b', undefined ]\n"},
    {"console.log(\"a,b,,c\".split(\",\", 2), \"abc\".split(\"\"), \"x\".repeat(3))",
     "[ 'a', 'b' ] [ 'a', 'b', 'c' ] xxx\n"},
    {"console.log(new Array(3), [1, , 3], [, ,])",
     "[ <3 empty items> ] [ 1, <1 empty item>, 3 ] [ <2 empty items> ]\n"},
    {"console.log(Number(\"0x1f\"), parseInt(\"101\", 2), (255).toString(16).padStart(4, "
     "\"0\").toUpperCase())",
     "31 5 00FF\n"},
    {"console.log(isNaN(\"x\"), [NaN].includes(NaN), [NaN].indexOf(NaN))", "true true -1\n"},
    {"let total = 0; [1, 2, 3].forEach(n => { total += n; }); console.log(total)", "6\n"},
    {"for (const [i, v] of [\"a\", \"b\"].entries()) console.log(i, v)", "0 a\n1 b\n"},
    {"for (const [k, v] of new Map([[\"a\", 1]])) console.log(k, v)", "a 1\n"},
    {"for (const c of \"hi\") console.log(c)", "h\ni\n"},
    {"const nums = [1, 2, 3]; nums.push(4); nums[0] = 9; console.log(nums, nums.length)",
     "[ 9, 2, 3, 4 ] 4\n"},
    {"const o = {a: 1}; o.b = 2; o[\"c\"] = 3; delete o.a; console.log(o)", "{ b: 2, c: 3 }\n"},
    {"const counts = {}; for (const c of \"banana\") counts[c] = (counts[c] || 0) + 1; "
     "console.log(counts)",
     "{ b: 1, a: 3, n: 2 }\n"},
    {"const mm = new Map(); mm.set(\"a\", 1); console.log(mm)", "Map(1) { 'a' => 1 }\n"},
    {"function fib(n) { return n < 2 ? n : fib(n - 1) + fib(n - 2) } console.log(fib(10))", "55\n"},
    {"function greet(name) { return `Hello, ${name}!`; } console.log(greet(\"ink\"))",
     "Hello, ink!\n"},
    {"const compose = f => g => x => f(g(x)); console.log(compose(x => x + 1)(x => x * 2)(5))",
     "11\n"},
    {"console.log([1,2,3,4].filter((x, i, a) => a.indexOf(x) === i && x % 2))", "[ 1, 3 ]\n"},
    {"const a = [1]; const b = [...a]; b.push(2); console.log(a, b)", "[ 1 ] [ 1, 2 ]\n"},
    {"const rows = [{n: 1}]; rows[0].n = 5; console.log(rows)", "[ { n: 5 } ]\n"},
    {"const xs = [3, 1]; const ys = xs.slice().sort(); console.log(xs, ys)", "[ 3, 1 ] [ 1, 3 ]\n"},
    {"const o = {list: [1]}; o.list.push(2); console.log(o)", "{ list: [ 1, 2 ] }\n"},
    {"const s = new Set(); for (const x of [1, 1, 2]) s.add(x); console.log(s.size, [...s])",
     "2 [ 1, 2 ]\n"},
    {"const m = new Map(); for (const w of [\"a\", \"b\", \"a\"]) m.set(w, (m.get(w) ?? 0) + 1); "
     "console.log([...m.entries()])",
     "[ [ 'a', 2 ], [ 'b', 1 ] ]\n"},
    {"const stack = []; stack.push(1, 2); const top = stack.pop(); console.log(top, stack)",
     "2 [ 1 ]\n"},
    {"const q = [1, 2, 3]; q.shift(); q.unshift(0); console.log(q)", "[ 0, 2, 3 ]\n"},
    {"const t = [5, 3]; t.sort((a, b) => a - b); console.log(t[0])", "3\n"},
    {"const t = [1, 2, 3, 4]; t.splice(1, 2); console.log(t)", "[ 1, 4 ]\n"},
    {"const t = [1, 2, 3, 4]; t.length = 0; console.log(t)", "[]\n"},
    {"let [p, q] = [1, 2]; [p, q] = [q, p]; console.log(p, q)", "2 1\n"},
    {"const sum = (...xs) => xs.reduce((a, b) => a + b, 0); console.log(sum(1, 2, 3))", "6\n"},
    {"const dbl = function (x) { return x * 2; }; console.log([1, 2].map(dbl))", "[ 2, 4 ]\n"},
    {"const obj = {f: x => x + 1, n: 2}; console.log(obj.f(obj.n))", "3\n"},
    {"const total = items => items.reduce((s, {price, qty}) => s + price * qty, 0); "
     "console.log(total([{price: 2.5, qty: 2}, {price: 1, qty: 3}]).toFixed(2))",
     "8.00\n"},
    {"const fmt = n => n.toLocaleString(\"en-US\", {style: \"currency\", currency: \"USD\"}); "
     "console.log(fmt(1234.5))",
     "$1,234.50\n"},
    {"const pad = (s, n) => String(s).padStart(n, \"0\"); console.log(`${pad(7, 2)}:${pad(5, 2)}`)",
     "07:05\n"},
    {"const d = new Date(Date.UTC(2031, 4, 9)); "
     "console.log(`${d.getUTCFullYear()}-${String(d.getUTCMonth() + 1).padStart(2, "
     "\"0\")}-${String(d.getUTCDate()).padStart(2, \"0\")}`)",
     "2031-05-09\n"},
    {"const d = new Date(\"2031-05-09\"); d.setDate(d.getDate() + 30); "
     "console.log(d.toISOString().slice(0, 10))",
     "2031-06-08\n"},
    {"const d1 = new Date(\"2031-05-09\"), d2 = new Date(\"2031-06-01\"); console.log((d2 - d1) / "
     "86400000)",
     "23\n"},
    {"const ms = new Date(\"2031-06-01\") - new Date(\"2031-05-09\"); console.log(Math.round(ms / "
     "86400000), \"days\")",
     "23 days\n"},
    {"console.log(new Date(2031, 1, 29).toDateString(), new "
     "Date(\"2031-02-28T23:59:59.999Z\").toUTCString())",
     "Sat Mar 01 2031 Fri, 28 Feb 2031 23:59:59 GMT\n"},
    {"console.log(new Date(\"2031-05-09T14:05:07+02:00\").toISOString(), new "
     "Date(\"2031-05-09T14:05\").toJSON())",
     "2031-05-09T12:05:07.000Z 2031-05-09T14:05:00.000Z\n"},
    {"console.log(new Date(NaN).getTime(), String(new Date(NaN)), new Date(NaN))",
     "NaN Invalid Date Invalid Date\n"},
    {"console.log(new Date(2031, 4, 9) > new Date(2031, 4, 8), +new Date(5))", "true 5\n"},
    {"console.log(new Date(99, 0).getFullYear(), new Date(1e15).getFullYear())", "1999 33658\n"},
    {"console.log(new Date(\"2031-05-09T14:05:07.123Z\").toLocaleString(\"en-GB\"), new "
     "Date(\"2031-05-09T14:05:07Z\").toLocaleString(\"de-DE\"), new "
     "Date(\"2031-05-09T14:05:07Z\").toLocaleString(\"fr-FR\"))",
     "09/05/2031, 14:05:07 9.5.2031, 14:05:07 09/05/2031 14:05:07\n"},
    {"console.log(new Date(\"2031-05-09\").toLocaleDateString(\"en-US\", {month: \"short\", day: "
     "\"numeric\"}), new Date(\"2031-05-09\").toLocaleDateString(\"en-GB\", {day: \"2-digit\", "
     "month: \"short\", year: \"numeric\"}))",
     "May 9 09 May 2031\n"},
    {"console.log(new Date(\"2031-05-09\").toLocaleDateString(undefined, {dateStyle: \"medium\"}))",
     "May 9, 2031\n"},
    {"console.log(new Date(\"2031-05-09T14:05:07Z\").toLocaleTimeString([], {hour: \"2-digit\", "
     "minute: \"2-digit\"}))",
     "02:05 PM\n"},
    {"console.log(new Date(\"2031-05-09T14:05:07Z\").toLocaleTimeString(\"en-US\", {hour12: "
     "false}))",
     "14:05:07\n"},
    {"console.log(new Intl.DateTimeFormat(\"en-US\").format(new Date(0)), new "
     "Intl.DateTimeFormat(\"ja-JP\", {dateStyle: \"long\"}).format(0))",
     "1/1/1970 1970年1月1日\n"},
    {"console.log(\"John Smith\".replace(/(\\w+)\\s(\\w+)/, \"$2, $1\"), \"aBc\".replace(/b/i, "
     "\"x\"))",
     "Smith, John axc\n"},
    {"console.log(\"x=1; y=2\".match(/(\\w)=(\\d)/g), \"x=1\".match(/(\\w)=(\\d)/)[2])",
     "[ 'x=1', 'y=2' ] 1\n"},
    {"console.log(/^\\d{3}-\\d{4}$/.test(\"555-1234\"), "
     "/^[\\w.+-]+@[\\w-]+\\.[\\w.]+$/.test(\"ink@example.org\"))",
     "true true\n"},
    {"console.log(\"one  two   three\".split(/\\s+/), \"a1b2c3\".split(/\\d/), "
     "\"a1b2\".split(/(\\d)/))",
     "[ 'one', 'two', 'three' ] [ 'a', 'b', 'c', '' ] [ 'a', '1', 'b', '2', '' ]\n"},
    {"console.log(\"aaa\".replace(/a/g, (m, i) => i), \"abc\".replace(/(?<x>b)/, \"[$<x>]\"))",
     "012 a[b]c\n"},
    {"console.log(\"tel: 555-1234\".replace(/\\D/g, \"\"), \"  trim me \".replace(/^\\s+/, \"\"))",
     "5551234 trim me \n"},
    {"console.log(\"The Cat\".replace(/[aeiou]/gi, v => v.toUpperCase()), \"x\".replace(/y/, "
     "\"z\"))",
     "ThE CAt x\n"},
    {"console.log(\"#ff8800\".match(/[0-9a-f]{2}/gi).map(h => parseInt(h, 16)))",
     "[ 255, 136, 0 ]\n"},
    {"console.log(\"key: value\".split(/:\\s*/), \"2031-05-09\".split(\"-\").map(Number))",
     "[ 'key', 'value' ] [ 2031, 5, 9 ]\n"},
    {"console.log(\"a.b.c\".replace(/\\./g, \"/\"), \"tab\\there\".replace(/\\t/, \"  \"))",
     "a/b/c tab  here\n"},
    {"console.log(\"<b>x</b>\".replace(/<[^>]+>/g, \"\"), \"aabbb\".replace(/(.)\\1+/g, \"$1\"))",
     "x ab\n"},
    {"console.log(\"foo bar\".search(/bar/), /o/.exec(\"foo\").index)", "4 1\n"},
    {"console.log(\"été\".replace(/é/g, \"e\"), /\\u00e9/.test(\"é\"), \"日本\".match(/./g))",
     "ete true [ '日', '本' ]\n"},
    {"console.log(\"multi\\nline\".match(/^line$/m), \"multi\\nline\".match(/multi.line/s) !== "
     "null)",
     "[ 'line', index: 6, input: 'multi\\nline', groups: undefined ] true\n"},
    {"console.log(/(\\d+)(?:px|em)/.exec(\"12px\")[1], \"aXbX\".lastIndexOf(\"X\"))", "12 3\n"},
    {"console.log(\"camel_case_name\".replace(/_(\\w)/g, (_, c) => c.toUpperCase()))",
     "camelCaseName\n"},
    {"console.log(\"helloWorld\".replace(/([a-z])([A-Z])/g, \"$1-$2\").toLowerCase())",
     "hello-world\n"},
    {"console.log(Math.sin(Math.PI / 6).toFixed(4), Math.log10(1000), Math.log2(8), Math.exp(1), "
     "Math.cbrt(27))",
     "0.5000 3 3 2.718281828459045 3\n"},
    {"console.log(Math.atan(1) * 4, Math.cos(0), Math.tan(0.5).toFixed(6))",
     "3.141592653589793 1 0.546302\n"},
    {"console.log(Math.trunc(-4.7), Math.max(...[1, 5, 3]), Math.min(), Math.hypot(3, 4))",
     "-4 5 Infinity 5\n"},
    {"console.log((0.1 + 0.2).toFixed(10), 0.1 * 3, 9.95.toFixed(1), 1.005.toFixed(2))",
     "0.3000000000 0.30000000000000004 9.9 1.00\n"},
    {"console.log([1, 2, 3].map((x, i) => x * i), [[1, 2], [3, 4]].map(r => r.join(\" "
     "\")).join(\"\\n\"))",
     "[ 0, 2, 6 ] 1 2\n3 4\n"},
    {"console.log([3, 1, 2].sort((a, b) => b - a), [\"b\", \"a\"].sort().reverse())",
     "[ 3, 2, 1 ] [ 'b', 'a' ]\n"},
    {"console.log(Object.keys({b: 1, a: 2}).sort(), Object.values({x: 1, y: 2}).reduce((a, b) => a "
     "+ b))",
     "[ 'a', 'b' ] 3\n"},
    {"console.log(Object.fromEntries([[\"a\", 1], [\"b\", 2]]), "
     "Object.fromEntries(Object.entries({a: 1}).map(([k, v]) => [k, v * 2])))",
     "{ a: 1, b: 2 } { a: 2 }\n"},
    {"console.log([...\"hello\"].reverse().join(\"\"), [...new Set([1, 1, 2])].length)",
     "olleh 2\n"},
    {"console.log([1, 2, 3, 4, 5].slice(-2), \"abcdef\".slice(1, -1), \"abc\".at(-1))",
     "[ 4, 5 ] bcde c\n"},
    {"console.log([{a: 1}, {a: 2}].find(o => o.a === 2), [1, 2, 3].some(x => x > 2), [].every(x => "
     "x))",
     "{ a: 2 } true true\n"},
    {"console.log(Array.from(\"abc\"), Array.from(new Set([1, 2])), Array.from({length: 2}))",
     "[ 'a', 'b', 'c' ] [ 1, 2 ] [ undefined, undefined ]\n"},
    {"console.log([1, 2, 3].join(), [null, undefined, 1].join(\"-\"), [[1, 2], [3]].toString())",
     "1,2,3 --1 1,2,3\n"},
    {"console.log(typeof NaN, typeof [], typeof {}, typeof null, typeof (x => x))",
     "number object object object function\n"},
    {"console.log(null ?? \"d\", undefined?.x, 0 || \"z\", \"\" && 1, !!\"a\")",
     "d undefined z  true\n"},
    {"console.log({a: 1, b: {c: [1, 2, {d: 3}]}}, [[[[1]]]])",
     "{ a: 1, b: { c: [ 1, 2, [Object] ] } } [ [ [ [Array] ] ] ]\n"},
    {"console.log(new Map([[\"a\", {x: 1}]]), new Set([[1, 2], \"b\"]), new Map())",
     "Map(1) { 'a' => { x: 1 } } Set(2) { [ 1, 2 ], 'b' } Map(0) {}\n"},
    {"console.log([1.5, \"a\", null, undefined, true, {a: 1}, [2]])",
     "[ 1.5, 'a', null, undefined, true, { a: 1 }, [ 2 ] ]\n"},
    {"console.log(JSON.stringify({a: [1, {b: 2}], c: \"x\"}, null, 2))",
     "{\n  \"a\": [\n    1,\n    {\n      \"b\": 2\n    }\n  ],\n  \"c\": \"x\"\n}\n"},
    {"console.log(JSON.stringify(\"a\\\"b\"), JSON.stringify([NaN, Infinity, null]), "
     "JSON.stringify({a: undefined}))",
     "\"a\\\"b\" [null,null,null] {}\n"},
    {"console.log(JSON.parse('{\"a\":{\"b\":[1,2]}}').a.b[1])", "2\n"},
    {"console.log(\"%s is %d years and %i, %f\", \"Bob\", 42.5, 42.9, \"1.5\"); console.log(\"%c "
     "styled\", \"color: red\"); console.log(\"100%\", 5)",
     "Bob is 42.5 years and 42, 1.5\n styled\n100% 5\n"},
    {"console.log(\"%s\", null, undefined, {a: 1}); console.log(\"a%\", \"b\"); "
     "console.log(\"%%\", 1); console.log(\"%x\", 5)",
     "null undefined { a: 1 }\na% b\n% 1\n%x 5\n"},
    {"const name = \"ink\"; const qty = 3; console.log(`${name.toUpperCase().padEnd(8, "
     "\".\")}${qty}`)",
     "INK.....3\n"},
    {"for (let i = 1; i <= 3; i++) { console.log(\"*\".repeat(i).padStart(3)); }",
     "  *\n **\n***\n"},
    {"let s = \"\"; for (let i = 0; i < 3; i++) { s += i; } console.log(s)", "012\n"},
    {"let i = 0; while (i < 3) { i += 1; if (i === 2) continue; console.log(i); }", "1\n3\n"},
    {"for (const [k, v] of Object.entries({a: 1, b: 2})) console.log(`${k}: ${v}`)",
     "a: 1\nb: 2\n"},
    {"[\"a\", \"b\"].forEach((x, i) => console.log(`${i + 1}. ${x}`))", "1. a\n2. b\n"},
    {"const inv = [{sku: \"K-07\", qty: 3, price: 9.55}, {sku: \"Z-1\", qty: 12, price: 120}]; "
     "inv.forEach(it => { "
     "console.log(`${it.sku.padEnd(8)}${String(it.qty).padStart(4)}${it.price.toFixed(2).padStart("
     "10)}`); });",
     "K-07       3      9.55\nZ-1       12    120.00\n"},
    {"const inv = [{sku: \"K-07\", qty: 3, price: 9.55}, {sku: \"Z-1\", qty: 12, price: 120}]; for "
     "(const {sku, qty, price} of inv) { console.log(sku, qty * price); }",
     "K-07 28.650000000000002\nZ-1 1440\n"},
    {"console.log((1234.567).toLocaleString(), (1234.567).toLocaleString(\"de-DE\"), "
     "(1e21).toLocaleString(\"en-US\"))",
     "1,234.567 1.234,567 1,000,000,000,000,000,000,000\n"},
    {"console.log((0.5).toLocaleString(\"en-US\", {style: \"percent\"}), "
     "(1234).toLocaleString(\"en-IN\"), (12345678).toLocaleString(\"en-IN\"))",
     "50% 1,234 1,23,45,678\n"},
    {"console.log(new Intl.NumberFormat(\"en-US\", {minimumFractionDigits: 2}).format(5), new "
     "Intl.NumberFormat().format(1e6))",
     "5.00 1,000,000\n"},
    {"console.log((1500).toLocaleString(\"en-US\", {notation: \"compact\"}), "
     "(1.5e9).toLocaleString(\"en-US\", {notation: \"compact\", compactDisplay: \"long\"}), "
     "(1250).toLocaleString(\"en-US\", {notation: \"compact\", maximumFractionDigits: 1}))",
     "1.5K 1.5 billion 1.3K\n"},
    {"console.log((42).toLocaleString(\"en-US\", {minimumIntegerDigits: 4, useGrouping: false}), "
     "(0.000001234).toLocaleString(\"en-US\", {maximumSignificantDigits: 2}))",
     "0042 0.0000012\n"},
    {"console.log((99.5).toLocaleString(\"en-US\", {style: \"unit\", unit: \"celsius\"}), "
     "(3).toLocaleString(\"en-US\", {style: \"unit\", unit: \"mile-per-hour\"}))",
     "99.5°C 3 mph\n"},
    {"console.log((-5).toLocaleString(\"en-US\", {style: \"currency\", currency: \"EUR\"}), "
     "(5).toLocaleString(\"ja-JP\", {style: \"currency\", currency: \"JPY\"}), "
     "(1e6).toLocaleString(\"pt-BR\", {style: \"currency\", currency: \"BRL\"}))",
     "-€5.00 ￥5 R$ 1.000.000,00\n"},
    {"console.log(123n * 456n, 2n ** 64n, typeof 1n, (123456789n).toLocaleString(\"en-US\"))",
     "56088n 18446744073709551616n bigint 123,456,789\n"},
    {"console.log(parseInt(\"12px\"), parseFloat(\"3.14abc\"), Number(\"abc\"), Number(\"\"), "
     "Number(\" 12 \"))",
     "12 3.14 NaN 0 12\n"},
    {"console.log(0.1 + 0.2 === 0.3, Math.abs(0.1 + 0.2 - 0.3) < Number.EPSILON, 5 / 2, 5 % 3, -5 "
     "% 3, 2 ** 10, 7 / 0)",
     "false true 2.5 2 -2 1024 Infinity\n"},
    {"console.log(\"5\" * \"2\", \"5\" + 2, 5 + +\"2\", \"5\" - 2, true + 1, [] + 1, null + 1, "
     "undefined + 1)",
     "10 52 7 3 2 1 1 NaN\n"},
    {"console.log(1 < 2 < 3, 3 > 2 > 1, \"b\" > \"a\", \"10\" < \"9\", 10 < \"9\")",
     "true false true true false\n"},
    {"const greet = ({name, age = 30}) => `${name} is ${age}`; console.log(greet({name: \"Ann\"}))",
     "Ann is 30\n"},
    {"const curry = a => b => a + b; const add5 = curry(5); console.log(add5(3))", "8\n"},
    {"const counter = (() => { const n = 5; return () => n + 1; })(); console.log(counter())",
     "6\n"},
    {"const isEven = n => n % 2 === 0; console.log([1, 2, 3, 4].filter(isEven), [1, "
     "2].some(isEven))",
     "[ 2, 4 ] true\n"},
    {"const fact = n => n <= 1 ? 1 : n * fact(n - 1); console.log(fact(10))", "3628800\n"},
    {"const users = [{n: \"a\", g: 1}, {n: \"b\", g: 2}, {n: \"c\", g: 1}]; const byG = "
     "users.reduce((acc, u) => ({...acc, [u.g]: [...(acc[u.g] || []), u.n]}), {}); "
     "console.log(byG)",
     "{ '1': [ 'a', 'c' ], '2': [ 'b' ] }\n"},
    {"const grouped = [\"apple\", \"bob\", \"axe\"].reduce((m, w) => { const k = w[0]; return "
     "{...m, [k]: (m[k] || 0) + 1}; }, {}); console.log(grouped)",
     "{ a: 2, b: 1 }\n"},
    {"const x = 5; const msg = x > 3 ? \"big\" : \"small\"; console.log(msg)", "big\n"},
    {"const {a: {b}} = {a: {b: 7}}; console.log(b)", "7\n"},
    {"const [h, ...t] = [1, 2, 3]; console.log(h, t)", "1 [ 2, 3 ]\n"},
    {"const [, second = 9] = [1]; console.log(second)", "9\n"},
    {"let n = 10; n **= 2; n %= 7; console.log(n); n ?\?= 5; n ||= 6; console.log(n)", "2\n2\n"},
    {"console.log(\"abc\".split(\"\").map(c => c.charCodeAt(0)).reduce((a, b) => a + b))", "294\n"},
    {"console.log(add(1, 2)); function add(a, b) { return a + b }", "3\n"},
    {"const m = new Map([[\"a\", 1], [\"b\", 2]]); m.forEach((v, k) => console.log(k, v))",
     "a 1\nb 2\n"},
    {"const s = new Set([\"x\", \"y\"]); s.forEach(v => console.log(v))", "x\ny\n"},
    {"new Map([[\"a\", 1]]).forEach(v => { console.log(v); })", "1\n"},
    {"[\"a\", \"b\"].forEach((x, i) => console.log(i, x)); [5].forEach(x => console.log(x))",
     "0 a\n1 b\n5\n"},
    {"[{n: 1}].forEach(({n}) => console.log(n))", "1\n"},
    {"let n = 1; const f = () => n; n = 2; console.log(f())", "2\n"},
    {"const o = {k: 2, f: x => x * 2}; console.log(o.f(4))", "8\n"},
    {"let t = 0; for (const x of [1, 2]) { t += x; } console.log(t)", "3\n"},
};

}  // namespace

TEST_CASE("lines of JavaScript print what the runtime prints, part 2") {
  support::check_statements("javascript", lines);
}

TEST_CASE("any beginning of a line of JavaScript is answered within its own length, part 2") {
  support::check_beginnings("javascript", lines);
}
