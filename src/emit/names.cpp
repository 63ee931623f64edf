#include "names.hpp"
#include "text/ascii.hpp"

#include <algorithm>
#include <string_view>

namespace inky::inline v1 {

namespace {

// Words that some language keeps for itself, or that the programs use.
constexpr std::string_view taken[] = {"abs",
                                      "abstract",
                                      "alignas",
                                      "alignof",
                                      "all",
                                      "and",
                                      "and_eq",
                                      "ans",
                                      "any",
                                      "args",
                                      "arguments",
                                      "array",
                                      "as",
                                      "asm",
                                      "assert",
                                      "async",
                                      "atomic",
                                      "auto",
                                      "await",
                                      "base",
                                      "become",
                                      "begin",
                                      "bitand",
                                      "bitor",
                                      "blanks",
                                      "bool",
                                      "boolean",
                                      "box",
                                      "break",
                                      "byte",
                                      "c",
                                      "case",
                                      "cat",
                                      "catch",
                                      "ceiling",
                                      "cells",
                                      "char",
                                      "char16_t",
                                      "char32_t",
                                      "char8_t",
                                      "checked",
                                      "class",
                                      "classdef",
                                      "clone",
                                      "co_await",
                                      "co_return",
                                      "co_yield",
                                      "compl",
                                      "component",
                                      "concept",
                                      "const",
                                      "const_cast",
                                      "consteval",
                                      "constexpr",
                                      "constinit",
                                      "constraint",
                                      "constructor",
                                      "continue",
                                      "cout",
                                      "crate",
                                      "csv",
                                      "data",
                                      "debugger",
                                      "decimal",
                                      "declare",
                                      "decltype",
                                      "def",
                                      "default",
                                      "defer",
                                      "defun",
                                      "del",
                                      "delegate",
                                      "delete",
                                      "dim",
                                      "disp",
                                      "do",
                                      "done",
                                      "double",
                                      "downcast",
                                      "downto",
                                      "dyn",
                                      "dynamic_cast",
                                      "e",
                                      "echo",
                                      "elif",
                                      "else",
                                      "elseif",
                                      "empty",
                                      "end",
                                      "end_try_catch",
                                      "end_unwind_protect",
                                      "endarguments",
                                      "endclassdef",
                                      "endenumeration",
                                      "endevents",
                                      "endfor",
                                      "endfunction",
                                      "endif",
                                      "endmethods",
                                      "endparfor",
                                      "endproperties",
                                      "endspmd",
                                      "endswitch",
                                      "endwhile",
                                      "entry",
                                      "enum",
                                      "enumeration",
                                      "errno",
                                      "eval",
                                      "event",
                                      "events",
                                      "except",
                                      "exception",
                                      "exit",
                                      "explicit",
                                      "export",
                                      "extends",
                                      "extern",
                                      "external",
                                      "f",
                                      "false",
                                      "fflush",
                                      "file",
                                      "final",
                                      "finally",
                                      "first",
                                      "fixed",
                                      "float",
                                      "floor",
                                      "fn",
                                      "for",
                                      "foreach",
                                      "format",
                                      "fprintf",
                                      "fputs",
                                      "friend",
                                      "from",
                                      "fun",
                                      "function",
                                      "functor",
                                      "get",
                                      "global",
                                      "go",
                                      "goto",
                                      "hex",
                                      "i",
                                      "i386",
                                      "if",
                                      "impl",
                                      "implements",
                                      "implicit",
                                      "import",
                                      "in",
                                      "include",
                                      "inf",
                                      "inherit",
                                      "inline",
                                      "instanceof",
                                      "int",
                                      "interface",
                                      "internal",
                                      "is",
                                      "isset",
                                      "j",
                                      "lambda",
                                      "last",
                                      "lazy",
                                      "left",
                                      "len",
                                      "length",
                                      "let",
                                      "linux",
                                      "list",
                                      "locale",
                                      "lock",
                                      "long",
                                      "loop",
                                      "macro",
                                      "main",
                                      "map",
                                      "match",
                                      "max",
                                      "member",
                                      "method",
                                      "methods",
                                      "min",
                                      "mod",
                                      "module",
                                      "move",
                                      "mut",
                                      "mutable",
                                      "names",
                                      "namespace",
                                      "nan",
                                      "native",
                                      "new",
                                      "next",
                                      "nil",
                                      "noexcept",
                                      "none",
                                      "nonlocal",
                                      "not",
                                      "not_eq",
                                      "null",
                                      "nullptr",
                                      "numel",
                                      "object",
                                      "oct",
                                      "of",
                                      "open",
                                      "operator",
                                      "or",
                                      "or_eq",
                                      "otherwise",
                                      "out",
                                      "override",
                                      "package",
                                      "parallel",
                                      "params",
                                      "parfor",
                                      "pass",
                                      "paste0",
                                      "persistent",
                                      "pi",
                                      "print",
                                      "print-row",
                                      "print-rows",
                                      "printRow",
                                      "printRows",
                                      "print_row",
                                      "print_rows",
                                      "printf",
                                      "priv",
                                      "private",
                                      "process",
                                      "program",
                                      "prop",
                                      "properties",
                                      "protected",
                                      "pub",
                                      "public",
                                      "puts",
                                      "raise",
                                      "range",
                                      "readonly",
                                      "rec",
                                      "ref",
                                      "register",
                                      "reinterpret",
                                      "reinterpret_cast",
                                      "repeat",
                                      "require",
                                      "requires",
                                      "resize",
                                      "restrict",
                                      "return",
                                      "right",
                                      "room",
                                      "row",
                                      "row-mark",
                                      "rowMark",
                                      "row_mark",
                                      "rows",
                                      "sbyte",
                                      "sealed",
                                      "select",
                                      "self",
                                      "seq_len",
                                      "set",
                                      "setfill",
                                      "setw",
                                      "short",
                                      "sig",
                                      "signed",
                                      "size",
                                      "sizeof",
                                      "spaces",
                                      "spmd",
                                      "sprintf",
                                      "stackalloc",
                                      "static",
                                      "static_assert",
                                      "static_cast",
                                      "stderr",
                                      "stdin",
                                      "stdout",
                                      "str",
                                      "strictfp",
                                      "string",
                                      "strrep",
                                      "struct",
                                      "super",
                                      "switch",
                                      "synchronized",
                                      "t",
                                      "tailcall",
                                      "template",
                                      "text",
                                      "then",
                                      "this",
                                      "thread",
                                      "thread_local",
                                      "throw",
                                      "throws",
                                      "time",
                                      "to",
                                      "trait",
                                      "transient",
                                      "true",
                                      "try",
                                      "type",
                                      "typedef",
                                      "typeid",
                                      "typename",
                                      "typeof",
                                      "uint",
                                      "ulong",
                                      "unchecked",
                                      "undefined",
                                      "union",
                                      "unix",
                                      "unless",
                                      "unsafe",
                                      "unset",
                                      "unsigned",
                                      "unsized",
                                      "until",
                                      "unwind_protect",
                                      "unwind_protect_cleanup",
                                      "upcast",
                                      "use",
                                      "ushort",
                                      "using",
                                      "val",
                                      "var",
                                      "vax",
                                      "virtual",
                                      "void",
                                      "volatile",
                                      "wchar_t",
                                      "when",
                                      "where",
                                      "while",
                                      "width",
                                      "with",
                                      "xor",
                                      "xor_eq",
                                      "yield"};

char in_lower(char c) {
  return 'A' <= c && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
}
char in_upper(char c) {
  return 'a' <= c && c <= 'z' ? static_cast<char>(c - 'a' + 'A') : c;
}

void append_word(std::string_view word, NameCase name_case, std::string& out) {
  if (out.empty()) {
    out = word;
    return;
  }
  switch (name_case) {
    case NameCase::snake:
      out += '_';
      break;
    case NameCase::kebab:
      out += '-';
      break;
    case NameCase::camel:
      out += in_upper(word.front());
      word.remove_prefix(1);
      break;
  }
  out += word;
}

std::string name_of(std::string_view text, NameCase name_case) {
  constexpr std::size_t most = 30;
  std::string out;
  std::string word;
  const auto end_word = [&] {
    if (!word.empty()) append_word(word, name_case, out);
    word.clear();
  };
  for (const char c : text) {
    if (is_letter(c) || is_digit(c))
      word += in_lower(c);
    else
      end_word();
    if (out.size() + word.size() >= most) break;
  }
  end_word();
  if (out.empty() || is_digit(out.front())) {
    std::string numbered = "cell";
    if (!out.empty()) append_word(out, name_case, numbered);
    out = std::move(numbered);
  }
  if (std::binary_search(std::begin(taken), std::end(taken), out))
    append_word("cell", name_case, out);
  return out;
}

}  // namespace

std::string joined(const std::string& name, const char* word, NameCase name_case) {
  std::string out = name;
  append_word(word, name_case, out);
  return out;
}

std::vector<std::string> names_of(const Sheet& sheet, const TableForm& form) {
  const NameCase name_case = form.names;
  std::vector<std::string> out;
  const auto is_there = [&](const std::string& name) {
    const bool is_helper =
        name == form.pad_left.name || name == form.pad_right.name || name == form.pad_center.name;
    return is_helper || std::any_of(out.begin(), out.end(), [&](const std::string& one) {
             return one == name || joined(one, "columns", name_case) == name ||
                    joined(name, "columns", name_case) == one;
           });
  };
  for (const SheetColumn& column : sheet.columns) {
    const std::string first = name_of(column.from, name_case);
    std::string name = first;
    for (int count = 2; is_there(name); ++count)
      name = joined(first, std::to_string(count).c_str(), name_case);
    out.push_back(std::move(name));
  }
  return out;
}

}  // namespace inky::inline v1
