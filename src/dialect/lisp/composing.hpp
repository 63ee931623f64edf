// Helpers in Common Lisp that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"

namespace inky::inline v1::lisp {

inline constexpr std::string_view scientific_source =
    R"code(;; The sign, the digits and the exponent of d.ddde+xx; and back.
(defun parts-of (text)
  (let ((sign (behind-sign text)) (mark (position-if #'alpha-char-p text)))
    (values (subseq text 0 sign) (remove #\. (subseq text sign mark))
            (parse-integer text :start (1+ mark)))))
(defun with-point (digits behind)
  (let ((digits (concatenate 'string digits (fill-of (- behind (length digits)) "0"))))
    (format nil "~A~:[.~;~]~A" (subseq digits 0 behind) (= (length digits) behind)
            (subseq digits behind))))
(defun exponent-of (exponent)
  (format nil "e~:[+~;-~]~2,'0D" (minusp exponent) (abs exponent)))
)code";

inline constexpr ComposingForm composing = {
    .carrier = "lisp",
    .unit = WidthUnit::code_points,
    .text_of = "(format nil \"@S\" @V)",
    .print = "(write-string @T)",
    .common = R"code(;; The places of the sign of a number, and of what follows its whole digits.
(defun behind-sign (text)
  (if (and (plusp (length text)) (find (char text 0) "-+ (")) 1 0))
(defun behind-digits (text)
  (or (position-if-not #'digit-char-p text :start (behind-sign text)) (length text)))
(defun fill-of (count fill)
  (make-string (max 0 count) :initial-element (char fill 0)))
)code",
    .zeros = {"(with-zeros @T @D)", R"code(;; Zeros in front of a number, up to COUNT digits.
(defun with-zeros (text count)
  (let ((sign (behind-sign text)))
    (concatenate 'string (subseq text 0 sign) (fill-of (- (+ count sign) (length text)) "0")
                 (subseq text sign))))
)code"},
    .marks = {"(with-marks @T @G @P)", R"code(;; A mark between thousands, and a decimal mark.
(defun with-marks (text group point)
  (let ((first (behind-sign text)) (end (behind-digits text)))
    (with-output-to-string (out)
      (loop for c across text
            for i from 0
            do (cond ((and (= i end) (char= c #\.)) (write-string point out))
                     (t (when (and (< first i end) (zerop (mod (- end i) 3)))
                          (write-string group out))
                        (write-char c out)))))))
)code"},
    .sign = {"(with-sign @T @U @O @C)",
             R"code(;; PLUS in front of a number, or OPENING and CLOSING for the minus.
(defun with-sign (text plus opening closing)
  (if (eql (search "-" text) 0)
      (concatenate 'string opening (subseq text 1) closing)
      (concatenate 'string plus text)))
)code"},
    .behind = {"(concatenate 'string @T @G)"},
    .inside = {"(fill-inside @T @X @D @F)",
               R"code(;; A prefix behind the sign of a number, and what fills it up to a width.
(defun fill-inside (text prefix width fill)
  (let ((sign (behind-sign text)))
    (concatenate 'string (subseq text 0 sign) prefix
                 (fill-of (- width (length prefix) (length text)) fill) (subseq text sign))))
)code"},
    .pad_left = {"(pad-left @T @D @F)", R"code(;; Fills a text up to a width, on the left.
(defun pad-left (text width fill)
  (concatenate 'string (fill-of (- width (length text)) fill) text))
)code"},
    .pad_right = {"(pad-right @T @D @F)", R"code(;; Fills a text up to a width, on the right.
(defun pad-right (text width fill)
  (concatenate 'string text (fill-of (- width (length text)) fill)))
)code"},
    .pad_center = {"(pad-center @T @D @F)", R"code(;; Fills a text up to a width, on both sides.
(defun pad-center (text width fill)
  (let ((missing (max 0 (- width (length text)))))
    (concatenate 'string (fill-of (floor missing 2) fill) text
                 (fill-of (ceiling missing 2) fill))))
)code"},
    .cut = {"(cut @T @D)", R"code((defun cut (text count)
  (subseq text 0 (min count (length text))))
)code"},
    .percent = {"(percent @T)",
                R"code(;; Moves the point of a number two places, and adds a percent sign.
(defun percent (text)
  (let* ((sign (behind-sign text))
         (end (behind-digits text))
         (digits (remove #\. text :start end :count 1))
         (first (or (position #\0 digits :start sign :end (1+ end) :test-not #'char=) (1+ end)))
         (rest (subseq digits (+ end 2))))
    (concatenate 'string (subseq text 0 sign) (subseq digits first (+ end 2))
                 (if (string= rest "") "" ".") rest "%")))
)code"},
    .engineering = {"(engineering @T)", R"code(;; d.ddde+xx with an exponent in steps of three.
(defun engineering (text)
  (multiple-value-bind (sign digits exponent) (parts-of text)
    (let ((behind (1+ (mod exponent 3))))
      (format nil "~A~A~A" sign (with-point digits behind)
              (exponent-of (- exponent (mod exponent 3)))))))
)code",
                    scientific_source},
    .thousands =
        {"(for-thousands @T @1 @2)",
         R"code(;; Of a number with some places, one more and two more: what ENGINEERING keeps these of.
(defun for-thousands (none one two)
  (flet ((size (text) (nth-value 2 (parts-of text))))
    (let* ((lead (mod (size two) 3)) (text (nth lead (list none one two))))
      (cond ((= (size text) (size two)) text)
            ((= lead 2) none)
            ((find #\. text)
             (let ((mark (position-if #'alpha-char-p text)))
               (concatenate 'string (subseq text 0 mark) "0" (subseq text mark))))
            (t text)))))
)code",
         scientific_source},
    .plain = {"(plain @T)", R"code(;; d.ddde+xx without an exponent.
(defun plain (text)
  (multiple-value-bind (sign digits exponent) (parts-of text)
    (concatenate 'string sign
                 (with-point (concatenate 'string (fill-of (- exponent) "0") digits)
                   (1+ (max exponent 0))))))
)code",
              scientific_source},
    .compact =
        {"(compact @T @D)",
         R"code(;; d.ddde+xx of COUNT digits: without an exponent where it is small, and without zeros.
(defun compact (text count)
  (multiple-value-bind (sign digits exponent) (parts-of text)
    (let* ((last (or (position #\0 digits :test-not #'char= :from-end t) 0))
           (digits (subseq digits 0 (1+ last))))
      (if (and (>= exponent -4) (< exponent count))
          (concatenate 'string sign
                       (with-point (concatenate 'string (fill-of (- exponent) "0") digits)
                         (1+ (max exponent 0))))
          (concatenate 'string sign (with-point digits 1) (exponent-of exponent))))))
)code",
         scientific_source},
    .kept_compact = {"(compact-with-zeros @T @D)",
                     R"code(;; d.ddde+xx of COUNT digits: without an exponent where it is small.
(defun compact-with-zeros (text count)
  (multiple-value-bind (sign digits exponent) (parts-of text)
    (let* ((small (and (>= exponent -4) (< exponent count)))
           (digits (concatenate 'string (fill-of (if small (- exponent) 0) "0") digits))
           (behind (if small (1+ (max exponent 0)) 1)))
      (concatenate 'string sign (subseq digits 0 behind) "." (subseq digits behind)
                   (if small "" (exponent-of exponent))))))
)code",
                     scientific_source},
    .in_base = {"(string-downcase (write-to-string @V :base @D :radix nil))"},
    .hexadecimal = {"(in-hexadecimal @V)",
                    R"code(;; A number in base 16, with its binary exponent.
(defun in-hexadecimal (value)
  (multiple-value-bind (whole exponent sign) (integer-decode-float (float value 1d0))
    (let* ((size (integer-length whole))
           (least (and (plusp whole) (< (+ exponent size -1) -1022)))
           (fraction (cond ((zerop whole) 0)
                           (least (ash whole (+ exponent 1074)))
                           (t (- (ash whole (- 53 size)) (ash 1 52)))))
           (digits (string-right-trim "0" (format nil "~(~13,'0X~)" fraction))))
      (format nil "~A0x~A~A~Ap~@D" (if (minusp sign) "-" "") (if (or least (zerop whole)) 0 1)
              (if (string= digits "") "" ".") digits
              (cond ((zerop whole) 0) (least -1022) (t (+ exponent size -1)))))))
)code"},
    .upper = {"(string-upcase @T)"},
    .truth = {"(if @V \"true\" \"false\")"},
};

}  // namespace inky::inline v1::lisp
