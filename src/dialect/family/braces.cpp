#include "braces.hpp"

#include <algorithm>

#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::braces {

Decoded::Decoded(TemplateContent& parsed, ReadEscape read_escape) {
  const std::string_view source = parsed.source;
  text_.reserve(source.size());
  at_.reserve(source.size() + 1);
  const std::size_t kept = parsed.literals.size();
  // An escape that means nothing belongs to the byte after it.
  std::size_t start = 0;
  for (std::size_t at = 0; at < source.size();) {
    if (source[at] == '\\') {
      at += read_escape(at, parsed);
      text_ += std::string_view(parsed.literals).substr(kept);
      parsed.literals.resize(kept);
    } else {
      text_ += source[at++];
    }
    if (at_.size() == text_.size()) continue;
    at_.resize(text_.size(), static_cast<std::uint32_t>(start));
    start = at;
  }
  at_.push_back(static_cast<std::uint32_t>(source.size()));
}

void settle(TemplateContent& parsed) {
  const Span whole{0, parsed.source.size()};
  if (parsed.refusal) {
    parsed.pieces.clear();
    parsed.fields.clear();
    parsed.values_taken = 0;
  }
  if (parsed.pieces.empty() && !parsed.source.empty()) parsed.pieces.push_back({whole, unset, {}});
}

std::vector<Words> whole_words(const TemplateContent& parsed) {
  const Span whole{0, parsed.source.size()};
  if (!parsed.refusal) return {{whole, "literal", "nothing", unset}};
  const Refusal& refusal = *parsed.refusal;
  return {{whole, "literal", "the whole template, which is refused", unset},
          {refusal.span, "fails", refusal.why, unset}};
}

std::string flag_words(const DialectFacts& facts, char flag) {
  for (const FlagFact& fact : facts.flags) {
    if (fact.flag == flag) return std::string(1, flag) + ": " + std::string(fact.meaning);
  }
  return std::string(1, flag);
}

void SpecReader::read_fill_and_align(std::string_view aligns, Lead& lead) {
  const auto point = first_code_point(rest());
  const std::size_t size = point ? static_cast<std::size_t>(point->bytes) : 1;
  const auto is_align = [&](std::size_t at) {
    return at < text_.size() && aligns.find(text_[at]) != std::string_view::npos;
  };
  if (is_align(at_ + size)) {
    lead.fill = rest().substr(0, size);
    at_ += size;
  }
  if (is_align(at_)) lead.align = text_[at_++];
}

void SpecReader::read_sign(std::string_view signs, Lead& lead) {
  if (!at_end() && signs.find(peek()) != std::string_view::npos) lead.sign = text_[at_++];
}

bool SpecReader::read_number(std::int64_t beyond, std::int64_t& number) {
  const std::size_t start = at_;
  number = 0;
  for (; peek() >= '0' && peek() <= '9'; ++at_) {
    const int digit = peek() - '0';
    number = number > (beyond - digit) / 10 ? beyond : number * 10 + digit;
  }
  return at_ > start;
}

bool read_literal(SpecReader& reader, const Decoded& decoded, TemplateContent& out,
                  WordsSink& words) {
  const std::size_t start = reader.at();
  const std::size_t kept = out.literals.size();
  while (!reader.at_end()) {
    const char c = reader.peek();
    if (c == '{' || c == '}') {
      const bool doubled = reader.peek(1) == c;
      if (!doubled && c == '{') break;
      reader.skip(1);
      if (!doubled) return false;
    }
    out.literals += c;
    reader.skip(1);
  }
  if (reader.at() == start) return true;
  const Span source = decoded.in_source({start, reader.at()});
  out.pieces.push_back({source, unset, {kept, out.literals.size()}});
  if (words.asked())
    words.add(source.to, "literal", in_quotes(std::string_view(out.literals).substr(kept)), unset);
  return true;
}

}  // namespace inky::inline v1::braces
