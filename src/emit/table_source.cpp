// The program of a plan, as source.

#include <algorithm>

#include "dialect/language_facts.hpp"
#include "dialect/program_form.hpp"
#include "inky_margin/carry/carry.hpp"
#include "inky_margin/text/columns.hpp"
#include "inky_margin/write/program.hpp"
#include "names.hpp"
#include "plan.hpp"

namespace inky::inline v1 {

namespace {

using Way = PrintedAs::Way;

std::string indented(std::string_view text, std::size_t indent) {
  std::string out;
  while (!text.empty()) {
    const std::size_t end = std::min(text.find('\n'), text.size() - 1) + 1;
    out.append(indent, ' ');
    out += text.substr(0, end);
    text.remove_prefix(end);
  }
  return out;
}

std::size_t columns_of(std::string_view text) {
  return measure(text, WidthUnit::columns);
}

class SourceWriter {
 public:
  SourceWriter(const Plan& plan, std::size_t line_limit)
      : plan_(plan), form_(*plan.form), line_limit_(line_limit) {}

  Result<std::string> write() {
    if (plan_.statements_alone) return write_statements_alone();
    const auto parts = std::count_if(plan_.items.begin(), plan_.items.end(),
                                     [](const PlannedItem& item) { return item.is_rows; });
    const bool has_rows = parts > 0;
    // The same parts more than once are a function's.
    const bool has_function = parts > 1;
    const bool reads_file = has_rows && !plan_.data_file.empty();

    std::vector<std::string> inside;
    if (has_rows) {
      for (const PadForm* helper : helpers()) inside.emplace_back(helper->source);
      if (!reads_file) inside.push_back(filled(form_.row_type, "@F", fields()));
      inside.push_back(reads_file ? filled(form_.file_data, file_fills()) : data());
      if (has_function)
        inside.push_back(with_statements(form_.part_function, form_.part_indent, {}));
    }
    inside.push_back(main_program(has_function, reads_file));

    std::string out = in_sections({std::string(reads_file ? form_.file_before : form_.before),
                                   has_rows ? remarks_of() : std::string()});
    if (!out.empty()) out += '\n';
    out += form_.before_helpers;
    out += in_sections(inside);
    if (error_) return std::move(*error_);
    return out;
  }

 private:
  // Headings and rules, the statement of a row where the rows are, and a rule at the end.
  Result<std::string> write_statements_alone() {
    std::string helping;
    for (const PadForm* helper : helpers()) helping += std::string(helper->source) + "\n";
    std::string out;
    bool has_row = false;
    for (const PlannedItem& item : plan_.items) {
      const bool is_of_data = item.kind == LineKind::subtotal || item.kind == LineKind::total ||
                              item.kind == LineKind::continued;
      const bool is_last_rule = has_row && &item == &plan_.items.back();
      if (item.is_rows && !has_row)
        out += statements(0);
      else if (!item.is_rows && !is_of_data &&
               (!has_row || (is_last_rule && item.kind == LineKind::rule)))
        write_line(item.line, out);
      has_row = has_row || item.is_rows;
    }
    if (error_) return std::move(*error_);
    return remarks_of() + helping + out;
  }

  // With empty lines between those that are not empty.
  static std::string in_sections(const std::vector<std::string>& sections) {
    std::string out;
    for (const std::string& section : sections) {
      if (section.empty()) continue;
      if (!out.empty()) out += '\n';
      out += section;
    }
    return out;
  }

  std::string main_program(bool has_function, bool reads_file) {
    std::string out(form_.main_open);
    for (const PlannedItem& item : plan_.items) {
      if (!item.is_rows) {
        write_line(item.line, out);
      } else if (reads_file) {
        out += with_statements(form_.file_loop, form_.part_indent, file_fills());
      } else if (!has_function) {
        out += with_statements(with_count(form_.loop), form_.loop_indent, {});
      } else {
        out += with_statements(form_.part_call, form_.part_indent,
                               {{"@A", std::to_string(item.from)},
                                {"@B", std::to_string(item.from + 1)},
                                {"@Z", std::to_string(item.to)}});
      }
    }
    return out + std::string(form_.main_close);
  }

  static std::string without_last_end(std::string lines) {
    if (!lines.empty()) lines.pop_back();
    return lines;
  }

  std::string literal(const Value& value) {
    Result<std::string> out = write_value(*plan_.dialect, value);
    if (out) return std::move(*out);
    error_ = out.error();
    return {};
  }

  std::string with_count(std::string_view form) const {
    return filled(form, "@K", std::to_string(plan_.rows));
  }

  // ---- Remarks ----

  // Why what looks odd is as it is.
  std::string remarks_of() const {
    std::string out;
    bool counts_otherwise = false;
    for (const PlannedColumn& column : plan_.columns) {
      const std::string& why = column.printed.why;
      if (column.printed.way == Way::text && !why.empty())
        out += remark(column.name + " is text: " + why + ".");
      if (column.printed.way != Way::helped) continue;
      if (why.empty())
        counts_otherwise = true;
      else
        out += remark(column.name + " is text that a helper pads: " + why + ".");
    }
    if (counts_otherwise)
      out += remark(
          "Widths count the columns of a terminal. The language counts differently, so a text that "
          "is padded says how many columns it takes.");
    return out;
  }

  // In lines of 90 columns; what could end a remark is left out.
  std::string remark(std::string_view text) const {
    constexpr std::size_t most = 90;
    std::string out;
    std::string line;
    const auto end_line = [&] {
      out += std::string(form_.comment) + line + "\n";
      line.clear();
    };
    while (!text.empty()) {
      const std::size_t end = std::min(text.find(' '), text.size());
      std::string word(text.substr(0, end));
      text.remove_prefix(std::min(end + 1, text.size()));
      std::replace_if(
          word.begin(), word.end(), [](char c) { return c < 0x20 || c > 0x7E || c == '\\'; }, '.');
      // <?php ends with it, and so does a line of remarks.
      std::replace(word.begin(), word.end(), '?', '.');
      if (!line.empty() && line.size() + 1 + word.size() > most) end_line();
      line += (line.empty() ? "" : " ") + word;
    }
    if (!line.empty()) end_line();
    return out;
  }

  // ---- Data ----

  std::vector<const PadForm*> helpers() const {
    std::vector<const PadForm*> out;
    for (const PlannedColumn& column : plan_.columns) {
      if (column.printed.way != Way::helped) continue;
      const PadForm& form = pad_form(form_, column.align);
      const bool is_there = std::any_of(
          out.begin(), out.end(), [&](const PadForm* one) { return one->source == form.source; });
      if (!is_there) out.push_back(&form);
    }
    return out;
  }

  std::string columns_name(const PlannedColumn& column) const {
    return joined(column.name, "columns", form_.names);
  }

  std::string type_of(Type type) const {
    switch (type) {
      case Type::text:
        if (!form_.text_type.empty()) return std::string(form_.text_type);
        break;
      case Type::i32:
        if (!form_.i32_type.empty()) return std::string(form_.i32_type);
        break;
      case Type::i64:
        if (!form_.i64_type.empty()) return std::string(form_.i64_type);
        break;
      default:
        if (!form_.real_type.empty()) return std::string(form_.real_type);
        break;
    }
    for (const TypeForm& one : program_form_of(plan_.dialect->facts()).types) {
      if (one.type == type) return std::string(one.name);
    }
    return {};
  }

  std::string field_of(const std::string& type, const std::string& name) const {
    return filled(form_.field, {{"@T", type}, {"@N", name}});
  }

  std::string fields() const {
    std::string out;
    for (const PlannedColumn& column : plan_.columns) {
      const Type type = column.values.empty() ? Type::text : column.values[0].type();
      out += field_of(type_of(type), column.name);
      if (column.printed.way == Way::helped)
        out +=
            field_of(form_.count_type.empty() ? type_of(Type::i32) : std::string(form_.count_type),
                     columns_name(column));
    }
    return out;
  }

  std::string data() {
    const std::string all = form_.column_open.empty() ? by_rows() : by_columns();
    return filled(with_count(form_.data), {{"@D", all}, {"@d", without_last_end(all)}});
  }

  // A list of cells, with a new line where one more would be too long.
  std::string cells(const std::vector<std::string>& texts, std::size_t used, std::size_t indent) {
    std::string out;
    for (std::size_t i = 0; i < texts.size(); ++i) {
      if (i != 0) {
        out += form_.cell_end;
        used += form_.cell_end.size();
        // The break, and what ends the list, want room too.
        constexpr std::size_t room = 6;
        if (used + columns_of(texts[i]) + room > line_limit_) {
          while (out.back() == ' ') out.pop_back();
          out += form_.line_break;
          out.append(indent, ' ');
          used = indent;
        }
      }
      out += texts[i];
      used += columns_of(texts[i]);
    }
    return out;
  }

  std::string cell_of(const std::string& name, const std::string& text) const {
    return filled(form_.cell, {{"@N", name}, {"@L", text}});
  }

  std::string by_rows() {
    std::string out;
    for (std::size_t row = 0; row < plan_.rows; ++row) {
      std::vector<std::string> texts;
      for (const PlannedColumn& column : plan_.columns) {
        texts.push_back(cell_of(column.name, literal(column.values[row])));
        if (column.printed.way == Way::helped)
          texts.push_back(cell_of(columns_name(column), std::to_string(column.columns[row])));
      }
      out.append(form_.indent, ' ');
      out += form_.row_open;
      out += cells(texts, form_.indent + form_.row_open.size(), form_.indent + 2);
      const bool is_lone = texts.size() == 1 && !form_.lone_row_close.empty();
      out += is_lone ? form_.lone_row_close : form_.row_close;
    }
    return out;
  }

  std::string by_columns() {
    std::string out;
    const auto put = [&](const std::string& name, const std::vector<std::string>& texts,
                         bool is_text) {
      const bool own = is_text && !form_.text_column_open.empty();
      const std::string open = filled(own ? form_.text_column_open : form_.column_open, "@N", name);
      out += open + cells(texts, open.size(), form_.indent);
      out += own ? form_.text_column_close : form_.column_close;
    };
    for (const PlannedColumn& column : plan_.columns) {
      std::vector<std::string> texts;
      for (const Value& value : column.values) texts.push_back(literal(value));
      put(column.name, texts, column.printed.way != Way::number);
      if (column.printed.way != Way::helped) continue;
      texts.clear();
      for (const std::size_t count : column.columns) texts.push_back(std::to_string(count));
      put(columns_name(column), texts, false);
    }
    return out;
  }

  // The path, and what gets the cells of a row from the file.
  std::vector<Fill> file_fills() {
    std::string reads;
    for (const PlannedColumn& column : plan_.columns) {
      const std::string_view read = column.printed.way != Way::number ? form_.read_text
                                    : is_real(column.wish.type)       ? form_.read_real
                                                                      : form_.read_whole;
      reads += filled(read, {{"@N", column.name}, {"@L", literal(Value::text(column.from))}});
    }
    return {{"@P", literal(Value::text(plan_.data_file))}, {"@R", std::move(reads)}};
  }

  // ---- Statements ----

  // The place of a cell in its row, where columns of texts stand in it too.
  std::size_t place_of(std::size_t index) const {
    std::size_t out = index;
    for (std::size_t i = 0; i < index; ++i)
      out += plan_.columns[i].printed.way == Way::helped ? 1 : 0;
    return out;
  }

  // A variable of the reader's program.
  std::string variable(const std::string& name) const {
    const LanguageFacts* language = language_facts_of(*plan_.dialect);
    const bool has_grammar = language != nullptr && language->expressions != nullptr &&
                             language->expressions->grammar != nullptr;
    return has_grammar ? std::string(language->expressions->grammar->prefix_of_names) + name : name;
  }

  std::string cell_name(std::size_t index, bool is_text) const {
    if (plan_.statements_alone) return variable(plan_.columns[index].name);
    const bool own = is_text && !form_.text_name.empty();
    const std::string named =
        filled(own ? form_.text_name : form_.cell_name, "@N", plan_.columns[index].name);
    return filled(named, "@I", std::to_string(place_of(index)));
  }
  std::string count_name(std::size_t index) const {
    if (plan_.statements_alone) return variable(columns_name(plan_.columns[index]));
    const std::string named = filled(form_.cell_name, "@N", columns_name(plan_.columns[index]));
    return filled(named, "@I", std::to_string(place_of(index) + 1));
  }

  std::string expression_of(std::size_t index) const {
    const PlannedColumn& column = plan_.columns[index];
    std::string name = cell_name(index, column.printed.way != Way::number);
    if (!column.pattern.empty())
      return filled(form_.carried, {{"@V", name}, {"@L", column.pattern}});
    if (column.printed.way != Way::helped) return name;
    const PadForm& form = pad_form(form_, column.align);
    return filled(form.call,
                  {{"@C", count_name(index)}, {"@W", std::to_string(column.width)}, {"@V", name}});
  }

  // The source of a template, where a helper may need fields of its own.
  std::optional<std::string> template_of(std::size_t from, std::size_t to) const {
    const auto named = [&](std::size_t index) { return expression_of(index); };
    const bool own_fields = std::any_of(
        plan_.columns.begin() + static_cast<std::ptrdiff_t>(from),
        plan_.columns.begin() + static_cast<std::ptrdiff_t>(to), [&](const PlannedColumn& column) {
          return column.printed.way == Way::helped && !pad_form(form_, column.align).field.empty();
        });
    const std::vector<TemplatePart> parts = plan_.parts(from, to, named);
    if (!own_fields) return plan_.row_dialect->writer().write_template(parts).source;
    std::string out;
    std::size_t index = from;
    for (const TemplatePart& part : parts) {
      if (!part.field) {
        out += plan_.row_dialect->writer().write_literal(part.literal).value_or("");
        continue;
      }
      const PlannedColumn& column = plan_.columns[index++];
      out += column.printed.way == Way::helped
                 ? std::string(pad_form(form_, column.align).field)
                 : plan_.row_dialect->writer().write_field(*part.field).source;
    }
    return out;
  }

  std::string statements(std::size_t indent) {
    std::string out;
    for (std::size_t from = 0; from < plan_.columns.size(); from += form_.most_fields) {
      const std::size_t to = std::min(from + form_.most_fields, plan_.columns.size());
      const std::optional<std::string> source = template_of(from, to);
      if (!source) continue;
      if (!form_.before_statement.empty())
        out += indented(std::string(form_.before_statement) + "\n", indent);
      std::vector<std::string> names;
      for (std::size_t i = from; i < to; ++i) names.push_back(expression_of(i));
      std::string statement = plan_.row_dialect->writer().write_statement(*source, names);
      const Result<Template> parsed = plan_.row_dialect->parse(*source);
      if (parsed)
        statement =
            over_lines(*plan_.row_dialect, *parsed, statement, line_limit_ - indent, indent);
      out += std::string(indent, ' ') + statement + std::string(form_.statement_end) + "\n";
    }
    return out;
  }

  std::string with_statements(std::string_view form, std::size_t indent, std::vector<Fill> fills) {
    std::string names;
    std::size_t count = 0;
    for (std::size_t i = 0; i < plan_.columns.size(); ++i) {
      const auto add = [&](const std::string& name) {
        if (count++ != 0) names += form_.name_between;
        names += name;
      };
      add(cell_name(i, false));
      if (plan_.columns[i].printed.way == Way::helped) add(count_name(i));
    }
    if (count == 1) names += form_.lone_name_end;
    const std::string lines = statements(indent);
    fills.push_back({"@E", std::move(names)});
    fills.push_back({"@S", lines});
    fills.push_back({"@s", without_last_end(lines)});
    return filled(form, fills);
  }

  // A long line is printed piece by piece.
  void write_line(std::string_view line, std::string& out) {
    const std::string text = std::string(line) + "\n";
    std::string_view rest = text;
    // Quotes, and the escape of the line end, want room too.
    constexpr std::size_t quotes = 6;
    const std::size_t around = form_.main_indent + form_.write.size() + quotes;
    const std::size_t most = std::max(line_limit_ / 2, line_limit_ - std::min(around, line_limit_));
    while (!rest.empty()) {
      std::string_view piece = cut(rest, most, WidthUnit::columns);
      if (piece.empty()) piece = rest.substr(0, first_cluster(rest).bytes);
      // Rather between words.
      const std::size_t blank = piece.rfind(' ');
      if (piece.size() < rest.size() && blank != std::string_view::npos && blank > most / 2)
        piece = piece.substr(0, blank + 1);
      // A line end has no columns, and stands with what is before it.
      if (rest.size() == piece.size() + 1) piece = rest;
      out += indented(filled(form_.write, "@L", literal(Value::text(std::string(piece)))),
                      plan_.statements_alone ? 0 : form_.main_indent);
      rest.remove_prefix(piece.size());
    }
  }

  const Plan& plan_;
  const TableForm& form_;
  std::size_t line_limit_;
  std::optional<Error> error_;
};

}  // namespace

std::string filled(std::string_view form, const std::vector<Fill>& fills) {
  std::string out;
  while (!form.empty()) {
    const auto fill = std::find_if(fills.begin(), fills.end(),
                                   [&](const Fill& one) { return form.starts_with(one.mark); });
    if (fill == fills.end()) {
      out += form.front();
      form.remove_prefix(1);
    } else {
      out += fill->text;
      form.remove_prefix(fill->mark.size());
    }
  }
  return out;
}
std::string filled(std::string_view form, std::string_view mark, std::string_view text) {
  return filled(form, {{mark, std::string(text)}});
}

const PadForm& pad_form(const TableForm& form, Align align) {
  return align == Align::right    ? form.pad_left
         : align == Align::center ? form.pad_center
                                  : form.pad_right;
}

Result<std::string> source_of(const Plan& plan, std::size_t line_limit) {
  return SourceWriter(plan, line_limit).write();
}

}  // namespace inky::inline v1
