// Functions of a POSIX shell that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"

namespace inky::inline v1::shell {

inline constexpr std::string_view fill_source =
    R"code(# Fills a text up to a width; $4 halves of what is missing go before it.
pad() {
  text=$1 missing=$(($2 - ${#1})) i=0
  [ "$missing" -gt 0 ] || missing=0
  before=$((missing * $4 / 2))
  while [ "$i" -lt "$missing" ]; do
    if [ "$i" -lt "$before" ]; then text=$3$text; else text=$text$3; fi
    i=$((i + 1))
  done
  printf '%s' "$text"
}
)code";

inline constexpr ComposingForm composing = {
    .carrier = "shell",
    .unit = WidthUnit::bytes,
    .in_steps = true,
    .text_name = "@V_text",
    .text_of = "@V_text=$(printf \"@S\" \"$@V\")",
    .print = "printf '%s' \"$@T\"",
    .zeros = {"@T=$(with_zeros \"$@T\" @D)", R"code(# Zeros in front of a number, up to $2 digits.
with_zeros() {
  sign='' digits=$1
  case $1 in -*) sign=- digits=${1#-} ;; esac
  while [ "${#digits}" -lt "$2" ]; do digits=0$digits; done
  printf '%s' "$sign$digits"
}
)code"},
    .marks = {"@T=$(with_marks \"$@T\" @G @P)",
              R"code(# $2 between thousands, and $3 for the decimal mark.
with_marks() {
  sign='' whole=$1 out='' rest=''
  case $whole in -*) sign=- whole=${whole#-} ;; esac
  case $whole in *.*) rest=$3${whole#*.} whole=${whole%%.*} ;; esac
  case $whole in
    *[!0-9]*) ;;
    *) while [ "${#whole}" -gt 3 ]; do
         head=${whole%???}
         out=$2${whole#"$head"}$out whole=$head
       done ;;
  esac
  printf '%s' "$sign$whole$out$rest"
}
)code"},
    .sign = {"@T=$(with_sign \"$@T\" @U @O @C)",
             R"code(# $2 in front of a number, or $3 and $4 for the minus.
with_sign() {
  case $1 in
    -*) printf '%s' "$3${1#-}$4" ;;
    *) printf '%s' "$2$1" ;;
  esac
}
)code"},
    .behind = {"@T=\"$@T\"@G"},
    .inside = {"@T=$(fill_inside \"$@T\" @X @D @F)",
               R"code(# $2 behind the sign of a number, and $4 up to a width of $3.
fill_inside() {
  sign='' digits=$1
  case $1 in [-+\ \(]*) digits=${1#?} sign=${1%"$digits"} ;; esac
  missing=$(($3 - ${#2} - ${#1})) filled=''
  while [ "$missing" -gt 0 ]; do filled=$filled$4 missing=$((missing - 1)); done
  printf '%s' "$sign$2$filled$digits"
}
)code"},
    .pad_left = {"@T=$(pad \"$@T\" @D @F 2)", fill_source},
    .pad_right = {"@T=$(pad \"$@T\" @D @F 0)", fill_source},
    .pad_center = {"@T=$(pad \"$@T\" @D @F 1)", fill_source},
    .cut = {"@T=$(printf '%.@Ds' \"$@T\")"},
    .percent = {"@T=$(percent \"$@T\")",
                R"code(# Moves the point of a number two places, and adds a percent sign.
percent() {
  case $1 in *.??*) ;; *) printf '%s' "$1"; return ;; esac
  sign='' whole=${1%%.*} rest=${1#*.}
  case $whole in -*) sign=- whole=${whole#-} ;; esac
  places=${rest#??}
  whole=$whole${rest%"$places"}
  while case $whole in 0?*) true ;; *) false ;; esac; do whole=${whole#0}; done
  printf '%s' "$sign$whole${places:+.$places}%"
}
)code"},
    .engineering = {"@T=$(engineering \"$@T\")",
                    R"code(# d.ddde+xx with an exponent in steps of three.
engineering() {
  case $1 in *[eE]*) ;; *) printf '%s' "$1"; return ;; esac
  awk -v text="$1" 'BEGIN {
    split(text, part, /[eE]/)
    lead = (part[2] % 3 + 3) % 3
    sign = sub(/^-/, "", part[1]) ? "-" : ""
    sub(/\./, "", part[1])
    while (length(part[1]) <= lead) part[1] = part[1] "0"
    rest = substr(part[1], lead + 2)
    printf "%s%s%s", sign, substr(part[1], 1, lead + 1), rest == "" ? "" : "." rest
    printf "%s%+03d", text ~ /E/ ? "E" : "e", part[2] - lead
  }'
}
)code"},
    .thousands =
        {"@T=$(for_thousands \"$@T\" \"$(printf \"@a\" \"$@V\")\" \"$(printf \"@b\" \"$@V\")\")",
         R"code(# Of a number with some places, one more and two more: what engineering keeps these of.
for_thousands() {
  awk -v none="$1" -v one="$2" -v two="$3" '
    function size(text, part) { return split(text, part, /[eE]/) > 1 ? part[2] + 0 : 0 }
    BEGIN {
      lead = (size(two) % 3 + 3) % 3
      text = lead == 0 ? none : lead == 1 ? one : two
      if (size(text) != size(two) && lead == 2) text = none
      else if (size(text) != size(two) && text ~ /\./) sub(/[eE]/, "0&", text)
      printf "%s", text
    }'
}
)code"},
    .plain = {"@T=$(plain \"$@T\")", R"code(# d.ddde+xx without an exponent.
plain() {
  case $1 in *[eE]*) ;; *) printf '%s' "$1"; return ;; esac
  awk -v text="$1" 'BEGIN {
    split(text, part, /[eE]/)
    sign = sub(/^-/, "", part[1]) ? "-" : ""
    sub(/\./, "", part[1])
    for (exponent = part[2] + 0; exponent < 0; ++exponent) part[1] = "0" part[1]
    while (length(part[1]) <= exponent) part[1] = part[1] "0"
    rest = substr(part[1], exponent + 2)
    printf "%s%s%s", sign, substr(part[1], 1, exponent + 1), rest == "" ? "" : "." rest
  }'
}
)code"},
    .in_base = {"@V_text=$(in_base \"$@V\" @D)", R"code(# A whole number in a base from 2 to 36.
in_base() {
  sign='' rest=$1 text=''
  case $1 in -*) sign=- rest=${1#-} ;; esac
  while :; do
    digit=$((rest % $2)) rest=$((rest / $2))
    digits=0123456789abcdefghijklmnopqrstuvwxyz
    while [ "$digit" -gt 0 ]; do digits=${digits#?} digit=$((digit - 1)); done
    text=${digits%"${digits#?}"}$text
    [ "$rest" -gt 0 ] || break
  done
  printf '%s' "$sign$text"
}
)code"},
    .upper = {"@T=$(printf '%s' \"$@T\" | tr a-z A-Z)"},
};

}  // namespace inky::inline v1::shell
