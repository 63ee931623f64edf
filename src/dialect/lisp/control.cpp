#include "control.hpp"

#include <algorithm>

#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::lisp {

namespace {

constexpr int most_nesting = 64;

char upper(char c) {
  return c >= 'a' && c <= 'z' ? static_cast<char>(c - 'a' + 'A') : c;
}

class Reader {
 public:
  Reader(const braces::Decoded& decoded, TemplateContent& out, Control& control,
         std::vector<Words>* words)
      : decoded_(decoded), text_(decoded.text()), out_(out), control_(control), words_(words) {}

  void read() {
    while (at_ < text_.size() && !out_.refusal) {
      const std::size_t start = at_;
      if (text_[at_] != '~') {
        read_text(out_.literals, start);
        continue;
      }
      Directive directive;
      if (!read_directive(directive, 0)) return;
      if (is_closing(directive.letter)) close_nothing(directive);
      if (directive.letter == '\n') {
        read_line_end(directive, out_.literals);
        add_literal(start, out_.literals.size() - line_kept_);
        continue;
      }
      add_field(std::move(directive), start);
    }
  }

 private:
  bool refuse(std::string why, std::size_t from, Refusal::When when = Refusal::When::run) {
    if (out_.refusal) return false;
    const bool unsupported = when == Refusal::When::not_supported_yet;
    out_.refusal = {when, unsupported ? "Leave the directive out." : "FORMAT-ERROR", std::move(why),
                    decoded_.in_source({from, std::min(std::max(at_, from + 1), text_.size())})};
    return false;
  }

  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning) {
    if (words_.asked())
      words_.add(decoded_.in_source({0, at_}).to, role, meaning(),
                 role == "literal" && depth_ == 0 ? unset : static_cast<int>(out_.fields.size()));
  }

  // Text up to the next directive.
  void read_text(std::string& out, std::size_t start) {
    const std::size_t end = std::min(text_.find('~', at_), text_.size());
    const std::size_t kept = out.size();
    out += text_.substr(at_, end - at_);
    at_ = end;
    if (&out == &out_.literals) add_literal(start, kept);
    tell("literal", [&] { return in_quotes(std::string_view(out).substr(kept)); });
  }

  void add_literal(std::size_t start, std::size_t kept) {
    out_.pieces.push_back({decoded_.in_source({start, at_}), unset, {kept, out_.literals.size()}});
  }

  void add_field(Directive directive, std::size_t start) {
    Field field;
    field.span = decoded_.in_source({start, at_});
    field.letter = directive.letter;
    out_.values_taken += values_of(directive);
    out_.pieces.push_back({field.span, static_cast<int>(out_.fields.size()), {}});
    out_.fields.push_back(std::move(field));
    directive.span = out_.fields.back().span;
    control_.directives.push_back(std::move(directive));
  }

  // How many values it takes, where none are skipped.
  static int values_of(const Directive& directive) {
    constexpr std::string_view takers = "ADSBOXRFEG$CW";
    int out = static_cast<int>(std::count_if(
        directive.parameters.begin(), directive.parameters.end(),
        [](const Parameter& parameter) { return parameter.kind == Parameter::Kind::next_value; }));
    if (takers.find(directive.letter) != std::string_view::npos ||
        (directive.letter == 'P' && !directive.colon) ||
        (directive.letter == '{' && !directive.at) ||
        (directive.letter == '[' && directive.parameters.empty() && !directive.at))
      ++out;
    if (directive.letter == '{') return out;
    int inside = 0;
    for (const Tokens& section : directive.sections) {
      int taken = 0;
      for (const Token& token : section) taken += token.directive ? values_of(*token.directive) : 0;
      inside = directive.letter == '[' ? std::max(inside, taken) : inside + taken;
    }
    return out + inside;
  }

  static bool is_closing(char letter) {
    return letter == ')' || letter == ']' || letter == '}' || letter == '>' || letter == ';';
  }

  bool read_directive(Directive& out, int depth) {
    const std::size_t start = at_++;
    if (depth > most_nesting)
      return refuse("directives nested as deep as this are not supported yet", start,
                    Refusal::When::not_supported_yet);
    if (!read_parameters(out, start)) return false;
    const auto letter = first_code_point(text_.substr(at_));
    out.letter = letter && letter->value < 0x80 ? upper(static_cast<char>(letter->value)) : '\x7f';
    at_ += letter ? static_cast<std::size_t>(letter->bytes) : 1;
    out.span = decoded_.in_source({start, at_});
    constexpr std::string_view later = "?/I_";
    constexpr std::string_view known = "ADSBOXRFEG$%&~TCPW*^|({[<)}]>;\n";
    if (later.find(out.letter) != std::string_view::npos || (out.letter == 'T' && out.colon))
      return refuse("the directive " + std::string(text_.substr(start, at_ - start)) +
                        " is not supported yet",
                    start, Refusal::When::not_supported_yet);
    if (known.find(out.letter) == std::string_view::npos)
      out.defect = "there is no directive " + std::string(text_.substr(start, at_ - start)) +
                   "; a tilde itself is written ~~";
    if (is_closing(out.letter)) return true;
    tell("directive", [&] { return meaning_of(out); });
    constexpr std::string_view opening = "([{<";
    if (opening.find(out.letter) == std::string_view::npos) return true;
    return read_sections(out, start, depth);
  }

  // Up to the letter.
  bool read_parameters(Directive& out, std::size_t start) {
    for (;; ++at_) {
      if (at_ >= text_.size())
        return refuse("the control string ends before the directive does", start);
      const char c = text_[at_];
      if (c == ':' || c == '@') {
        bool& mark = c == ':' ? out.colon : out.at;
        if (mark) return refuse(std::string("a second ") + c, at_);
        mark = true;
        continue;
      }
      if (is_digit(c) || c == '+' || c == '-') {
        if (!read_number(out, start)) return false;
      } else if (c == 'v' || c == 'V' || c == '#') {
        out.parameters.push_back(
            {c == '#' ? Parameter::Kind::remaining : Parameter::Kind::next_value, 0, {}});
        ++at_;
      } else if (c == '\'') {
        const auto point = first_code_point(text_.substr(at_ + 1));
        if (!point) return refuse("the control string ends before the directive does", start);
        out.parameters.push_back(
            {Parameter::Kind::character, 0,
             std::string(text_.substr(at_ + 1, static_cast<std::size_t>(point->bytes)))});
        at_ += 1 + static_cast<std::size_t>(point->bytes);
      } else if (c == ',') {
        out.parameters.emplace_back();
      } else {
        // After a comma, a parameter is left out.
        if (text_[at_ - 1] == ',' && !(at_ >= 2 && text_[at_ - 2] == '\''))
          out.parameters.emplace_back();
        return true;
      }
      if (out.colon || out.at) return refuse("parameters stand before : and @", at_);
      if (at_ >= text_.size())
        return refuse("the control string ends before the directive does", start);
      if (text_[at_] == ',') continue;
      if (text_[at_] == ':' || text_[at_] == '@' || c == '\'') {
        --at_;
        continue;
      }
      return true;
    }
  }

  bool read_number(Directive& out, std::size_t start) {
    const bool negative = text_[at_] == '-';
    if (!is_digit(text_[at_])) ++at_;
    if (at_ >= text_.size() || !is_digit(text_[at_])) {
      return refuse("a sign without digits as a parameter is not supported yet", start,
                    Refusal::When::not_supported_yet);
    }
    int number = 0;
    for (; at_ < text_.size() && is_digit(text_[at_]); ++at_)
      number = std::min(number * 10 + (text_[at_] - '0'), most_width + 1);
    out.parameters.push_back({Parameter::Kind::number, negative ? -number : number, {}});
    return true;
  }

  static char closing_of(char opening) {
    return opening == '(' ? ')' : opening == '[' ? ']' : opening == '{' ? '}' : '>';
  }

  bool read_sections(Directive& out, std::size_t start, int depth) {
    ++depth_;
    out.sections.emplace_back();
    while (at_ < text_.size()) {
      Tokens& tokens = out.sections.back();
      if (text_[at_] != '~') {
        tokens.emplace_back();
        read_text(tokens.back().text, at_);
        continue;
      }
      auto inner = std::make_unique<Directive>();
      if (!read_directive(*inner, depth + 1)) return false;
      if (inner->letter == '\n') {
        tokens.emplace_back();
        read_line_end(*inner, tokens.back().text);
      } else if (inner->letter == ';' && (out.letter == '[' || out.letter == '<')) {
        tell("next", [] { return std::string("the next section"); });
        if (inner->colon && out.sections.size() == 1) out.first_is_line = true;
        out.last_is_default = inner->colon;
        out.sections.emplace_back();
      } else if (inner->letter == closing_of(out.letter)) {
        out.close_colon = inner->colon;
        out.close_at = inner->at;
        --depth_;
        tell("end", [&] { return std::string("closes ~") + out.letter; });
        return check_closed(out, start);
      } else {
        if (is_closing(inner->letter)) close_nothing(*inner);
        tokens.emplace_back();
        tokens.back().directive = std::move(inner);
      }
    }
    --depth_;
    out.defect = std::string("~") + out.letter + " is never closed";
    return true;
  }

  void close_nothing(Directive& directive) {
    directive.defect = std::string("~") + directive.letter + " closes nothing here";
    tell("directive", [&] { return directive.defect; });
  }

  bool check_closed(const Directive& directive, std::size_t start) {
    const bool later =
        directive.letter == '<' && (directive.close_colon || directive.first_is_line);
    const bool indirect = directive.letter == '{' && directive.sections[0].empty();
    if (later || indirect)
      return refuse(indirect ? "an iteration over a control string given as a value is not "
                               "supported yet"
                             : "logical blocks and lines of a width are not supported yet",
                    start, Refusal::When::not_supported_yet);
    return true;
  }

  // The new line after a tilde is dropped with the blanks that follow; : keeps the blanks, @ the
  // line.
  void read_line_end(const Directive& directive, std::string& out) {
    line_kept_ = out.size();
    if (directive.at) out += '\n';
    if (!directive.colon) {
      while (at_ < text_.size() && (text_[at_] == ' ' || text_[at_] == '\t' || text_[at_] == '\n'))
        ++at_;
    }
    line_kept_ = out.size() - line_kept_;
    tell("line", [] { return std::string("the line goes on"); });
  }

  static std::string meaning_of(const Directive& directive) {
    std::string out = directive.defect;
    for (const ConversionFact& fact : lisp_facts.conversions) {
      if (fact.letter == directive.letter) out = fact.meaning;
    }
    if (directive.letter == '\n') out = "a tilde at the end of a line";
    for (const FlagFact& fact : lisp_facts.flags) {
      if ((fact.flag == ':' && directive.colon) || (fact.flag == '@' && directive.at))
        out += "; with " + std::string(1, fact.flag) + " " + std::string(fact.meaning);
    }
    return out;
  }

  const braces::Decoded& decoded_;
  std::string_view text_;
  TemplateContent& out_;
  Control& control_;
  braces::WordsSink words_;
  std::size_t at_ = 0;
  int depth_ = 0;
  std::size_t line_kept_ = 0;
};

}  // namespace

void read_control(const braces::Decoded& decoded, TemplateContent& out, Control& control,
                  std::vector<Words>* words) {
  Reader(decoded, out, control, words).read();
}

}  // namespace inky::inline v1::lisp
