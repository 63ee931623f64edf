// Lines of Lisp as people paste them. The texts are those that SBCL 2.2.9 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;
using support::value;

TEST_CASE("pasted lines of Lisp print what the runtime prints") {
  const std::vector<PrintingCall> calls = {
      {"(format t \"~d~%\" n)", {value("n=7")}, "7\n"},
      {"(format t \"~a has ~d items (~,1f%)~%\" name n (* pct 100))",
       {value("n=7"), value("name=ink"), value("pct=0.256")},
       "ink has 7 items (25.6%)\n"},
      {"(format t \"~8a|~8,2f|~3,'0d~%\" name x n)",
       {value("n=7"), value("x=9.55"), value("name=ink")},
       "ink     |    9.55|007\n"},
      {"(format t \"~,2f~%\" (* x 0.76))", {value("x=9.55")}, "7.26\n"},
      {"(format t \"~d ~d ~d ~d~%\" (+ n 1) (floor n 2) (mod n 4) (rem (- n) 4))",
       {value("n=7")},
       "8 3 3 -3\n"},
      {"(format t \"Total: ~a~%\" (+ 1 2 3))", {}, "Total: 6\n"},
      {"(format nil \"~5,2f|~10d|~x|~b|~o\" 3.14159 n 255 5 8)",
       {value("n=7"), value("x=9.55")},
       " 3.14|         7|FF|101|10"},
      {"(format t \"~a~%\" (/ 7 2.0))", {}, "3.5\n"},
      {"(format t \"~a~%\" (/ n 2.0))", {value("n=7")}, "3.5\n"},
      {"(format t \"~a ~a ~a~%\" (sqrt 2) (sqrt 16) (sqrt 2d0))",
       {},
       "1.4142135 4.0 1.4142135623730951d0\n"},
      {"(format t \"~a~%\" (expt 2 10))", {}, "1024\n"},
      {"(format t \"~a ~a~%\" (expt 2.5 2) (expt 2 0.5))", {}, "6.25 1.4142135\n"},
      {"(format t \"~a ~a ~a ~a~%\" (round 2.5) (round 3.5) (floor -2.5) (ceiling 2.1))",
       {},
       "2 4 -3 3\n"},
      {"(format t \"~a ~a~%\" (truncate 7 2) (round 7 2))", {}, "3 4\n"},
      {"(format t \"~a ~a ~a~%\" (abs -5) (min 1 2 3) (max 1 2.5))", {}, "5 1 2.5\n"},
      {"(format t \"~a~%\" (if (> n 5) \"many\" \"few\"))", {value("n=7")}, "many\n"},
      {"(format t \"~:[few~;many~]~%\" (> n 5))", {value("n=7")}, "many\n"},
      {"(format t \"~a ~a~%\" (> n 5) (< n 5))", {value("n=7")}, "T NIL\n"},
      {"(format t \"~{~a~^, ~}~%\" (list 1 2 3))", {}, "1, 2, 3\n"},
      {"(format t \"~{~a~^, ~}~%\" '(1 2 3))", {}, "1, 2, 3\n"},
      {"(format t \"~a ~s~%\" (list 1 \"two\" 3.0) (list 1 \"two\" 3.0))",
       {},
       "(1 two 3.0) (1 \"two\" 3.0)\n"},
      {"(format t \"~a~%\" (string-upcase name))", {value("name=ink")}, "INK\n"},
      {"(format t \"~a ~a~%\" (string-downcase \"ABC\") (string-capitalize \"hello world\"))",
       {},
       "abc Hello World\n"},
      {"(format t \"~a~%\" (concatenate 'string name \"-\" \"pot\"))",
       {value("name=ink")},
       "ink-pot\n"},
      {"(format t \"~a ~a~%\" (subseq name 1) (subseq name 0 2))", {value("name=ink")}, "nk in\n"},
      {"(format t \"~d~%\" (length name))", {value("name=ink")}, "3\n"},
      {"(format t \"~d item~:p~%\" n)", {value("n=7")}, "7 items\n"},
      {"(format t \"~r ~:r ~@r~%\" n n n)", {value("n=7")}, "seven seventh VII\n"},
      {"(format t \"~,3f~%\" pi)", {}, "3.142\n"},
      {"(format t \"~$~%\" x)", {value("x=9.55")}, "9.55\n"},
      {"(format t \"~e~%\" x)", {value("x=9.55")}, "9.550000000000001d+0\n"},
      {"(format t \"~5$|~10$~%\" x x)", {value("x=9.55")}, "9.55000|9.5500000000\n"},
      {"(format t \"~:d~%\" (* 1000 1234))", {}, "1,234,000\n"},
      {"(format t \"~a~%\" (format nil \"~5d\" n))", {value("n=7")}, "    7\n"},
      {"(format t \"~a~%\" (1+ n))", {value("n=7")}, "8\n"},
      {"(format t \"~a~%\" (1- n))", {value("n=7")}, "6\n"},
      {"(format t \"~a~%\" (- x))", {value("x=9.55")}, "-9.55d0\n"},
      {"(format t \"~a~%\" (* 1.0 n))", {value("n=7")}, "7.0\n"},
      {"(format t \"~a~%\" (+ x 1))", {value("x=9.55")}, "10.55d0\n"},
      {"(format t \"~a~%\" (+ 0.1 0.2))", {}, "0.3\n"},
      {"(format t \"~a~%\" (+ 0.1d0 0.2d0))", {}, "0.30000000000000004d0\n"},
      {"(format t \"~a~%\" (= (+ 0.1d0 0.2d0) 0.3d0))", {}, "NIL\n"},
      {"(format t \"~a~%\" (float 7))", {}, "7.0\n"},
      {"(format t \"~a~%\" (/ 6 3))", {}, "2\n"},
      {"(format t \"~a~%\" (coerce 7 'double-float))", {}, "7.0d0\n"},
      {"(format t \"~a~%\" (coerce x 'single-float))", {value("x=9.55")}, "9.55\n"},
      {"(princ n)", {value("n=7")}, "7"},
      {"(princ \"hello\")", {}, "hello"},
      {"(prin1 \"hello\")", {}, "\"hello\""},
      {"(print n)", {value("n=7")}, "\n7 "},
      {"(print \"hello\")", {}, "\n\"hello\" "},
      {"(princ (* n 2))", {value("n=7")}, "14"},
      {"(write-line \"plain line\")", {}, "plain line\n"},
      {"(write-line name)", {value("name=ink")}, "ink\n"},
      {"(write-string name)", {value("name=ink")}, "ink"},
      {"(format t \"plain~%\")", {}, "plain\n"},
      {"(format *standard-output* \"~a~%\" n)", {value("n=7")}, "7\n"},
      {"(format nil \"~a\" #\\A)", {}, "A"},
      {"(format t \"~c ~s~%\" #\\A #\\A)", {}, "A #\\A\n"},
      {"(format t \"~a~%\" (char name 0))", {value("name=ink")}, "i\n"},
      {"(format t \"~a ~a~%\" (char-code #\\A) (code-char 66))", {}, "65 B\n"},
      {"(format t \"~a~%\" (first (list 1 2 3)))", {}, "1\n"},
      {"(format t \"~a~%\" (nth 1 (list 1 2 3)))", {}, "2\n"},
      {"(format t \"~a~%\" (reverse (list 1 2 3)))", {}, "(3 2 1)\n"},
      {"(format t \"~a~%\" (reverse name))", {value("name=ink")}, "kni\n"},
      {"(format t \"~a~%\" (reduce #'+ (list 1 2 3)))", {}, "6\n"},
      {"(format t \"~a~%\" (apply #'max (list 1 5 3)))", {}, "5\n"},
      {"(format t \"~a~%\" (length (list 1 2)))", {}, "2\n"},
      {"(format t \"~a ~a~%\" (evenp n) (oddp n))", {value("n=7")}, "NIL T\n"},
      {"(format t \"~a~%\" (and (> n 5) (< n 10)))", {value("n=7")}, "T\n"},
      {"(format t \"~a~%\" (or nil 5))", {}, "5\n"},
      {"(format t \"~a~%\" (not nil))", {}, "T\n"},
      {"(format t \"~a~%\" (zerop 0))", {}, "T\n"},
      {"(format t \"~a~%\" (logand 12 10))", {}, "8\n"},
      {"(format t \"~a~%\" (logior 12 10))", {}, "14\n"},
      {"(format t \"~a~%\" (ash 1 10))", {}, "1024\n"},
      {"(format t \"~a~%\" #xff)", {}, "255\n"},
      {"(format t \"~a~%\" #b101)", {}, "5\n"},
      {"(format t \"~a ~a~%\" 1e10 1.5e-5)", {}, "1.0e10 1.5e-5\n"},
      {"(format t \"~a~%\" 12345678901234567890)", {}, "12345678901234567890\n"},
      {"(format t \"~a~%\" (* 99999999999 99999999999))", {}, "9999999999800000000001\n"},
      {"(format t \"~a~%\" t)", {}, "T\n"},
      {"(format t \"~a~%\" nil)", {}, "NIL\n"},
      {"(format t \"~va|~%\" 10 name)", {value("name=ink")}, "ink       |\n"},
      {"(format t \"~10,3,,,'*f~%\" x)", {value("x=9.55")}, "*****9.550\n"},
      {"(format t \"~a~%\" (string= name \"ink\"))", {value("name=ink")}, "T\n"},
      {"(format t \"~d%~%\" (round (* 100 pct)))", {value("pct=0.256")}, "26%\n"},
      {"(format t \"~,2f~%\" (/ (round (* x 10)) 10.0))", {value("x=9.55")}, "9.60\n"},
      {"(format t \"~a~%\" (cond ((> n 5) \"big\") (t \"small\")))", {value("n=7")}, "big\n"},
      {"(format t \"~a~%\" (princ-to-string x))", {value("x=9.55")}, "9.55d0\n"},
      {"(format t \"~a~%\" (write-to-string n))", {value("n=7")}, "7\n"},
      {"(format t \"~a~%\" (exp 1))", {}, "2.7182817\n"},
      {"(format t \"~a~%\" (log 100))", {}, "4.6051702\n"},
      {"(format t \"~a~%\" (sin 0))", {}, "0.0\n"},
      {"(format t \"~a~%\" (atan 1d0))", {}, "0.7853981633974483d0\n"},
      {"(format t \"~a ~a~%\" 1.0 100000000.0)", {}, "1.0 1.0e8\n"},
      {"(format t \"~a~%\" (mod -7 3))", {}, "2\n"},
      {"(format t \"~a~%\" (gcd 12 18))", {}, "6\n"},
      {"(format t \"~a~%\" (floor x))", {value("x=9.55")}, "9\n"},
      {"(format t \"~a~%\" (truncate x))", {value("x=9.55")}, "9\n"},
  };
  support::check_calls("lisp", calls);
}

TEST_CASE("pasted lines of Lisp fail as the runtime does") {
  struct Failing {
    const char* source;
    std::vector<Value> values;
    const char* as;
  };
  const std::vector<Failing> calls = {
      {"(format t \"~a~%\" (/ n 0))", {value("n=7")}, "DIVISION-BY-ZERO"},
      {"(format t \"~a~%\" (/ 1.0 0))", {}, "DIVISION-BY-ZERO"},
      {"(format t \"~a~%\" missing)", {}, "UNBOUND-VARIABLE"},
      {"(format t \"~a~%\" (+ n \"a\"))", {value("n=7")}, "TYPE-ERROR"},
  };
  for (const Failing& one : calls) {
    INFO(one.source);
    CHECK(support::show("lisp", one.source, one.values).outcome.failure_name() == one.as);
  }
}
