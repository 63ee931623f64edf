// Arrays and objects in console.log. The texts are those that Node.js 20 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;

TEST_CASE("arrays and objects are shown as the runtime shows them") {
  const std::vector<PrintingCall> calls = {
      {"console.log([1, 2, 3]);", {}, "[ 1, 2, 3 ]\n"},
      {"console.log([]);", {}, "[]\n"},
      {"console.log({});", {}, "{}\n"},
      {"console.log([[]], [{}]);", {}, "[ [] ] [ {} ]\n"},
      {"console.log({ a: 1, \"b-c\": \"x\" });", {}, "{ a: 1, 'b-c': 'x' }\n"},
      {"console.log([1, 2, 3, 4, 5, 6, 7]);", {}, "[\n  1, 2, 3, 4,\n  5, 6, 7\n]\n"},
      {"console.log([1.5, 22, 333, 4, 5, 6, 7, 8]);",
       {},
       "[\n  1.5, 22, 333, 4,\n    5,  6,   7, 8\n]\n"},
      {"console.log([\"a\", \"bb\", \"ccc\", \"dddd\", \"e\", \"f\", \"g\"]);",
       {},
       "[\n  'a',   'bb',\n  'ccc', 'dddd',\n  'e',   'f',\n  'g'\n]\n"},
      {"console.log([[[[1]]]]);", {}, "[ [ [ [Array] ] ] ]\n"},
      {"console.log({ a: { b: { c: { d: 1 } } } });", {}, "{ a: { b: { c: [Object] } } }\n"},
      {"console.log({ a: [1, { b: [2, { c: 3 }] }] });", {}, "{ a: [ 1, { b: [Array] } ] }\n"},
      {"console.log([\"it's\", 'say \"x\"', \"`'\\\"\", \"a\\nb\", \"\\t\\\\\"]);",
       {},
       "[ \"it's\", 'say \"x\"', '`\\'\"', 'a\\nb', '\\t\\\\' ]\n"},
      {"console.log([-0, 0, NaN, Infinity, 5n, null, undefined, true]);",
       {},
       "[ -0, 0, NaN, Infinity, 5n, null, undefined, true ]\n"},
      {"console.log({ a: 1, a: 2, b: 3 });", {}, "{ a: 2, b: 3 }\n"},
      {"console.log({ b: 1, \"10\": 2, \"2\": 3, a: 4 });",
       {},
       "{ '2': 3, '10': 2, b: 1, a: 4 }\n"},
      {"console.log([\"aaaaaaaaaaaaaaaaaaaa\", \"bbbbbbbbbbbbbbbbbbbbbbbbbbbb\", "
       "\"cccccccccccccccccccccccccc\", \"d\"]);",
       {},
       "[\n  'aaaaaaaaaaaaaaaaaaaa',\n  'bbbbbbbbbbbbbbbbbbbbbbbbbbbb',\n  "
       "'cccccccccccccccccccccccccc',\n  'd'\n]\n"},
      {"console.log({ batch: \"K-07\", shades: [0.5, 1.25, -2], room: { number: 7, names: "
       "[\"ink\", \"paper\"] }, note: \"a longer text\" });",
       {},
       "{\n  batch: 'K-07',\n  shades: [ 0.5, 1.25, -2 ],\n  room: { number: 7, names: [ 'ink', "
       "'paper' ] },\n  note: 'a longer text'\n}\n"},
      {"console.log(\"shades\", [0.5, 1.25], { n: 7 });", {}, "shades [ 0.5, 1.25 ] { n: 7 }\n"},
      {"console.log([1, 22, 333, 4444, 55555, 666666, 7777777, 88888888, 999999999, 10, 11, 12, "
       "13, 14, 15, 16]);",
       {},
       "[\n        1,       22,       333,\n     4444,    55555,    666666,\n  7777777, 88888888, "
       "999999999,\n       10,       11,        12,\n       13,       14,        15,\n       "
       "16\n]\n"},
      {"console.log(Array.isArray([1]), [1, 2].concat([3]), \"a-b\".split(\"-\"));",
       {},
       "true [ 1, 2, 3 ] [ 'a', 'b' ]\n"},
      {"console.log([\"Zinkwei\303\237\", \"\345\242\250\"]);",
       {},
       "[ 'Zinkwei\303\237', '\345\242\250' ]\n"},
      {"console.log([\"a\001b\", \"\\u007f\"]);", {}, "[ 'a\\x01b', '\\x7F' ]\n"},
      {"console.log([1, 2, 3].map(v => ({ v: v })));", {}, "[ { v: 1 }, { v: 2 }, { v: 3 } ]\n"},
      {"console.log([[\"a\", 1], [\"b\", 2]]);", {}, "[ [ 'a', 1 ], [ 'b', 2 ] ]\n"},
      {"console.log([50187, 606, 39, 10, 622, 5, 79370, 5453, 3, 1123, 92865, 147, 43839, 1, 9547, "
       "68608, 9, 7, 66, 9015, 11, 8, 5853, 97, 334, 1082, 5]);",
       {},
       "[\n  50187,   606,    39, 10,  622,\n      5, 79370,  5453,  3, 1123,\n  92865,   147, "
       "43839,  1, 9547,\n  68608,     9,     7, 66, 9015,\n     11,     8,  5853, 97,  334,\n   "
       "1082,     5\n]\n"},
      {"console.log([984, 4817, 83, 1, 84260, 75464, 1, 170, 14, 83, 8848, 71, 804, 6, 49243, 34, "
       "7612, 545, 85838, 68922, 0, 64, 20061, 59, 73779, 78, 30649, 5, 33, 50406, 71, 7, 6]);",
       {},
       "[\n    984,  4817,    83,  1, 84260, 75464,\n      1,   170,    14, 83,  8848,    71,\n    "
       "804,     6, 49243, 34,  7612,   545,\n  85838, 68922,     0, 64, 20061,    59,\n  73779,   "
       " 78, 30649,  5,    33, 50406,\n     71,     7,     6\n]\n"},
      {"console.log([2, 0, 56728, 22145, 7035, 3928, 596, 1177, 8, 2127, 77, 53597, 3008, 23940, "
       "8230, 634, 66297, 9, 7, 5091, 50490, 97, 71165, 949, 2774, 20, 968, 43676, 1226]);",
       {},
       "[\n      2,     0, 56728, 22145, 7035,\n   3928,   596,  1177,     8, 2127,\n     77, "
       "53597,  3008, 23940, 8230,\n    634, 66297,     9,     7, 5091,\n  50490,    97, 71165,   "
       "949, 2774,\n     20,   968, 43676,  1226\n]\n"},
      {"console.log([19, 31034, 56647, 374, 60, 36, 379, 69227, 9993, 1, 3, 57, 4497, 16, 295, 0, "
       "52385, 68, 9527, 95, 4, 3, 5640, 77216, 47, 95, 660, 516]);",
       {},
       "[\n  19, 31034, 56647,   374,  60,\n  36,   379, 69227,  9993,   1,\n   3,    57,  4497,   "
       " 16, 295,\n   0, 52385,    68,  9527,  95,\n   4,     3,  5640, 77216,  47,\n  95,   660,  "
       " 516\n]\n"},
      {"console.log([30295, 8398, 93, 412, 5, 37516, 80, 869, 694, 7996, 177, 1, 6198, 63, 173, "
       "1928, 9, 4, 2, 1, 4, 3]);",
       {},
       "[\n  30295, 8398,   93, 412,    5,\n  37516,   80,  869, 694, 7996,\n    177,    1, 6198,  "
       "63,  173,\n   1928,    9,    4,   2,    1,\n      4,    3\n]\n"},
      {"console.log([6, 69, 696, 22, 108, 18, 358, 55, 0, 8234, 6, 5]);",
       {},
       "[\n    6,   69, 696, 22,\n  108,   18, 358, 55,\n    0, 8234,   6,  5\n]\n"},
      {"console.log([2887, 2, 19575, 5, 549, 86433, 7293, 31, 40, 3604, 4184, 9, 1356, 3859, 9, "
       "47309, 153, 9, 33, 1, 82196, 0, 301, 690, 389, 50170, 78, 488, 6490, 8545, 852, 6]);",
       {},
       "[\n  2887,     2, 19575,     5,  549, 86433,\n  7293,    31,    40,  3604, 4184,     9,\n  "
       "1356,  3859,     9, 47309,  153,     9,\n    33,     1, 82196,     0,  301,   690,\n   "
       "389, 50170,    78,   488, 6490,  8545,\n   852,     6\n]\n"},
      {"console.log([\"wwwwwwwww\", \"wwww\", \"wwwwwwwww\", \"wwwwwwww\", \"wwwwwwwwww\", "
       "\"wwwwwwww\", \"wwwwwww\", \"wwwwwwwwww\", \"wwwwww\", \"wwwwww\", \"wwwwww\", "
       "\"wwwwwwww\", \"wwwwww\", \"wwww\", \"wwwwwwwwww\"]);",
       {},
       "[\n  'wwwwwwwww',  'wwww',\n  'wwwwwwwww',  'wwwwwwww',\n  'wwwwwwwwww', 'wwwwwwww',\n  "
       "'wwwwwww',    'wwwwwwwwww',\n  'wwwwww',     'wwwwww',\n  'wwwwww',     'wwwwwwww',\n  "
       "'wwwwww',     'wwww',\n  'wwwwwwwwww'\n]\n"},
      {"console.log([\"w\", \"w\", \"w\", \"wwwwwwwwww\", \"wwwwwwwwwww\", \"wwwww\", "
       "\"wwwwwwwww\", \"wwwwwwwww\", \"ww\", \"wwwwwwwwww\", \"w\", \"wwwwwwwwwww\", \"wwww\", "
       "\"ww\", \"ww\", \"wwwwwwwwww\", \"w\", \"wwwwwwwwwww\", \"wwwwww\", \"wwwwwww\", "
       "\"wwwwwwwww\", \"wwwwwwwwww\", \"www\"]);",
       {},
       "[\n  'w',           'w',\n  'w',           'wwwwwwwwww',\n  'wwwwwwwwwww', 'wwwww',\n  "
       "'wwwwwwwww',   'wwwwwwwww',\n  'ww',          'wwwwwwwwww',\n  'w',           "
       "'wwwwwwwwwww',\n  'wwww',        'ww',\n  'ww',          'wwwwwwwwww',\n  'w',           "
       "'wwwwwwwwwww',\n  'wwwwww',      'wwwwwww',\n  'wwwwwwwww',   'wwwwwwwwww',\n  'www'\n]\n"},
      {"console.log([51721, 95854, 742, 65, 990, 191, 97149, 5460, 16, 337, 98823, 3, 1417, 7, "
       "28077, 340, 6, 68364, 22, 6, 46, 798, 97, 495, 6, 4179, 3158, 3, 391, 60, 77094, 45, 87, "
       "304]);",
       {},
       "[\n  51721, 95854,   742,  65,   990,   191,\n  97149,  5460,    16, 337, 98823,     3,\n  "
       " 1417,     7, 28077, 340,     6, 68364,\n     22,     6,    46, 798,    97,   495,\n      "
       "6,  4179,  3158,   3,   391,    60,\n  77094,    45,    87, 304\n]\n"},
      {"console.log([39, 8, 1, 3788, 67, 5675, 46230, 75893, 715, 29, 5601, 528, 77340, 43, "
       "18317]);",
       {},
       "[\n     39,    8,     1,  3788,\n     67, 5675, 46230, 75893,\n    715,   29,  5601,   "
       "528,\n  77340,   43, 18317\n]\n"},
      {"console.log([743, 92494, 341, 5818, 46641, 9, 675, 1561, 6, 924, 60, 100, 4, 3157, 1, 28, "
       "28997, 13, 13, 5999, 2, 7, 21, 92, 7, 88048]);",
       {},
       "[\n    743, 92494,  341, 5818, 46641,\n      9,   675, 1561,    6,   924,\n     60,   100, "
       "   4, 3157,     1,\n     28, 28997,   13,   13,  5999,\n      2,     7,   21,   92,     "
       "7,\n  88048\n]\n"},
      {"console.log([83, 4, 97542, 90231, 20, 56367, 57277, 4253, 60, 8159, 20537, 39, 7582, 7, "
       "98478, 1833, 304, 7, 8387, 98977, 74, 8119, 3210, 85008, 0, 2401, 693, 9166, 4481, 62, "
       "87590, 55289, 7, 8830, 4970]);",
       {},
       "[\n     83,     4, 97542, 90231,    20, 56367,\n  57277,  4253,    60,  8159, 20537,    "
       "39,\n   7582,     7, 98478,  1833,   304,     7,\n   8387, 98977,    74,  8119,  3210, "
       "85008,\n      0,  2401,   693,  9166,  4481,    62,\n  87590, 55289,     7,  8830,  "
       "4970\n]\n"},
      {"console.log([9, 1, 8688, 84411, 41, 235, 65665, 968, 4607, 2451, 46216, 68, 4955, 141, "
       "461, 37, 96622, 468, 35, 6139, 59, 2890, 74933, 82, 90, 74, 196, 799, 9684, 1, 8313, 843, "
       "278, 231, 818]);",
       {},
       "[\n      9,    1, 8688, 84411,    41, 235,\n  65665,  968, 4607,  2451, 46216,  68,\n   "
       "4955,  141,  461,    37, 96622, 468,\n     35, 6139,   59,  2890, 74933,  82,\n     90,   "
       "74,  196,   799,  9684,   1,\n   8313,  843,  278,   231,   818\n]\n"},
      {"console.log([695, 944, 4832, 508, 96, 4178, 392, 32, 253, 51, 1166, 8, 1090, 2, 489, 8, "
       "66987, 4093]);",
       {},
       "[\n    695,  944, 4832, 508,\n     96, 4178,  392,  32,\n    253,   51, 1166,   8,\n   "
       "1090,    2,  489,   8,\n  66987, 4093\n]\n"},
      {"console.log([\"wwwww\", \"wwwwwwwwww\", \"wwwwwww\", \"www\", \"wwwwwwwww\", "
       "\"wwwwwwwwwww\", \"wwwwwwww\", \"wwwwww\", \"wwwwwwwwwww\", \"wwwwwwwwwww\", \"wwwwww\", "
       "\"w\", \"www\"]);",
       {},
       "[\n  'wwwww',       'wwwwwwwwww',\n  'wwwwwww',     'www',\n  'wwwwwwwww',   "
       "'wwwwwwwwwww',\n  'wwwwwwww',    'wwwwww',\n  'wwwwwwwwwww', 'wwwwwwwwwww',\n  'wwwwww',   "
       "   'w',\n  'www'\n]\n"},
      {"console.log([34090, 84175, 0, 6094, 25330, 297, 298, 979, 177, 94, 96848, 37, 43, 7991, "
       "269, 610, 31, 30152, 84, 5615, 5, 1184, 1847, 7826, 40, 68, 9, 99345, 974, 68185, 61617]);",
       {},
       "[\n  34090, 84175,     0, 6094, 25330,\n    297,   298,   979,  177,    94,\n  96848,    "
       "37,    43, 7991,   269,\n    610,    31, 30152,   84,  5615,\n      5,  1184,  1847, 7826, "
       "   40,\n     68,     9, 99345,  974, 68185,\n  61617\n]\n"},
      {"console.log([2, 83, 67120, 2, 50607, 852, 768, 48610, 6, 43, 0, 64, 6001, 44, 61415, 8515, "
       "688, 135, 8423, 2467, 8564, 337, 69, 3976, 0, 95, 6568, 9150, 24403, 0]);",
       {},
       "[\n     2,   83, 67120,     2, 50607,\n   852,  768, 48610,     6,    43,\n     0,   64,  "
       "6001,    44, 61415,\n  8515,  688,   135,  8423,  2467,\n  8564,  337,    69,  3976,     "
       "0,\n    95, 6568,  9150, 24403,     0\n]\n"},
      {"console.log([\"wwwwwwwwww\", \"wwwwwwwwwww\", \"ww\", \"ww\", \"wwwwwww\", \"wwww\", "
       "\"wwwww\", \"wwwwww\", \"w\", \"wwwwww\", \"www\", \"www\", \"wwwww\", \"wwwwwwwwwww\", "
       "\"wwwww\", \"w\", \"wwwwwwww\", \"w\", \"wwwwwww\"]);",
       {},
       "[\n  'wwwwwwwwww', 'wwwwwwwwwww',\n  'ww',         'ww',\n  'wwwwwww',    'wwww',\n  "
       "'wwwww',      'wwwwww',\n  'w',          'wwwwww',\n  'www',        'www',\n  'wwwww',     "
       " 'wwwwwwwwwww',\n  'wwwww',      'w',\n  'wwwwwwww',   'w',\n  'wwwwwww'\n]\n"},
      {"console.log([\"www\", \"www\", \"wwwwwwww\", \"w\", \"wwww\", \"ww\", \"wwwwwwwwwww\", "
       "\"ww\", \"wwwwww\", \"www\", \"wwwwwwwwww\", \"wwwwwww\", \"wwwwww\", \"wwwwwwwwww\", "
       "\"wwwwwww\", \"wwwwwwwwww\", \"wwwwwwwwwww\", \"www\", \"ww\", \"wwwwwww\"]);",
       {},
       "[\n  'www',         'www',\n  'wwwwwwww',    'w',\n  'wwww',        'ww',\n  "
       "'wwwwwwwwwww', 'ww',\n  'wwwwww',      'www',\n  'wwwwwwwwww',  'wwwwwww',\n  'wwwwww',    "
       "  'wwwwwwwwww',\n  'wwwwwww',     'wwwwwwwwww',\n  'wwwwwwwwwww', 'www',\n  'ww',          "
       "'wwwwwww'\n]\n"},
      {"console.log([4, 99, 93275, 40, 8783, 1312, 60, 626, 5261, 24, 6, 12329, 61350, 2564, 22, "
       "5068, 8427, 67997, 30028]);",
       {},
       "[\n      4,    99, 93275,    40,\n   8783,  1312,    60,   626,\n   5261,    24,     6, "
       "12329,\n  61350,  2564,    22,  5068,\n   8427, 67997, 30028\n]\n"},
      {"console.log([67, 6, 14411, 4560, 80, 31739, 0, 11927, 3, 677, 4, 790, 65323, 1451, 92726, "
       "6, 32526, 44, 748, 6, 6, 2165, 4, 914, 6, 9473, 16573, 49408, 44251, 7210, 707, 10390, "
       "557, 45, 25698, 61, 509, 9287]);",
       {},
       "[\n     67,     6, 14411,  4560,    80, 31739,\n      0, 11927,     3,   677,     4,   "
       "790,\n  65323,  1451, 92726,     6, 32526,    44,\n    748,     6,     6,  2165,     4,   "
       "914,\n      6,  9473, 16573, 49408, 44251,  7210,\n    707, 10390,   557,    45, 25698,    "
       "61,\n    509,  9287\n]\n"},
      {"console.log([\"wwww\", \"www\", \"wwwwwwwww\", \"wwwwwww\", \"wwwwwwwww\", \"wwww\", "
       "\"www\", \"wwwww\", \"wwww\", \"wwwwww\", \"www\", \"wwwwwwwwwww\", \"wwwwwwwwwww\", "
       "\"wwwwwwwww\", \"www\", \"wwwwwwww\", \"wwwwwwwwww\", \"ww\"]);",
       {},
       "[\n  'wwww',        'www',\n  'wwwwwwwww',   'wwwwwww',\n  'wwwwwwwww',   'wwww',\n  "
       "'www',         'wwwww',\n  'wwww',        'wwwwww',\n  'www',         'wwwwwwwwwww',\n  "
       "'wwwwwwwwwww', 'wwwwwwwww',\n  'www',         'wwwwwwww',\n  'wwwwwwwwww',  'ww'\n]\n"},
      {"console.log([447, 446, 6065, 8285, 994, 91451, 19, 8, 9217, 950, 8, 6, 44, 1, 229, 116, "
       "804, 7, 89988, 50029, 180, 13, 15, 3781, 92, 3, 48, 481, 4, 7, 5817, 7, 4, 4, 44986]);",
       {},
       "[\n    447,   446, 6065, 8285,   994, 91451,\n     19,     8, 9217,  950,     8,     6,\n  "
       "   44,     1,  229,  116,   804,     7,\n  89988, 50029,  180,   13,    15,  3781,\n     "
       "92,     3,   48,  481,     4,     7,\n   5817,     7,    4,    4, 44986\n]\n"},
      {"console.log([\"wwwwwwwwwww\", \"wwwwwww\", \"wwwwww\", \"wwwwwww\", \"wwwwwww\", "
       "\"wwwwwwwww\", \"wwwww\", \"wwwww\"]);",
       {},
       "[\n  'wwwwwwwwwww',\n  'wwwwwww',\n  'wwwwww',\n  'wwwwwww',\n  'wwwwwww',\n  "
       "'wwwwwwwww',\n  'wwwww',\n  'wwwww'\n]\n"},
      {"console.log([56181, 8029, 50, 5, 7332, 8482, 6824, 141, 84, 0]);",
       {},
       "[\n  56181, 8029,   50,\n      5, 7332, 8482,\n   6824,  141,   84,\n      0\n]\n"},
      {"console.log([4853, 5, 67, 95554, 4, 6, 91643, 79, 1, 3, 7288, 9, 302, 8, 2, 8, 970, 5657, "
       "4, 6, 620, 3, 853, 0, 920, 92732, 496, 381, 7, 785]);",
       {},
       "[\n   4853,     5,  67, 95554,    4,    6,\n  91643,    79,   1,     3, 7288,    9,\n    "
       "302,     8,   2,     8,  970, 5657,\n      4,     6, 620,     3,  853,    0,\n    920, "
       "92732, 496,   381,    7,  785\n]\n"},
      {"console.log([\"ww\", \"www\", \"www\", \"wwww\", \"wwwww\", \"wwwwwww\", \"wwwwww\", "
       "\"ww\", \"ww\", \"ww\", \"wwww\", \"wwwwwwwww\", \"wwwwww\", \"wwww\", \"w\", "
       "\"wwwwwwww\", \"wwwwwwwwwww\", \"www\", \"wwwwwwww\", \"wwww\", \"wwwwwwwwww\", "
       "\"wwwwwwww\"]);",
       {},
       "[\n  'ww',          'www',\n  'www',         'wwww',\n  'wwwww',       'wwwwwww',\n  "
       "'wwwwww',      'ww',\n  'ww',          'ww',\n  'wwww',        'wwwwwwwww',\n  'wwwwww',   "
       "   'wwww',\n  'w',           'wwwwwwww',\n  'wwwwwwwwwww', 'www',\n  'wwwwwwww',    "
       "'wwww',\n  'wwwwwwwwww',  'wwwwwwww'\n]\n"},
      {"console.log([824, 64, 68, 8650, 63, 97, 2, 0, 1054, 8, 2, 8404, 953, 8101, 70766]);",
       {},
       "[\n   824,   64,    68, 8650,\n    63,   97,     2,    0,\n  1054,    8,     2, 8404,\n   "
       "953, 8101, 70766\n]\n"},
      {"console.log([936, 840, 93205, 87, 51829, 359, 57595, 2, 2, 82802, 80772, 7748, 3887, 1, "
       "736, 714, 4094, 5, 700, 3109, 323, 773]);",
       {},
       "[\n    936,   840, 93205,  87, 51829,\n    359, 57595,     2,   2, 82802,\n  80772,  7748, "
       " 3887,   1,   736,\n    714,  4094,     5, 700,  3109,\n    323,   773\n]\n"},
  };
  for (const PrintingCall& one : calls) {
    INFO(one.source);
    const support::Shown shown = support::show("javascript", one.source, {});
    CHECK(shown.text == one.text);
    CHECK(shown.outcome.prints());
  }
}

TEST_CASE("what of an array is not supported yet says so") {
  std::string many = "console.log([0";
  for (int i = 0; i < 100; ++i) many += ", 0";
  many += "]);";
  std::string lines = "console.log([\"" + std::string(80, 'x') + "\\nx\"]);";
  for (const std::string& source : {many, lines, std::string("console.log([x => x]);"),
                                    std::string("console.log(\"%o\", 5);")}) {
    INFO(source);
    const auto parsed = parse_statement(*find_dialect("javascript"), source);
    REQUIRE(parsed.ok());
    TextBuffer out;
    const Outcome outcome = parsed->dialect().render(*parsed, {}, {}, out, nullptr);
    REQUIRE(outcome.kind() == Outcome::Kind::error);
    CHECK(outcome.as_error().code == Code::not_supported_yet);
  }
}
