#include "remarks.hpp"

#include <algorithm>

#include "fault_names.hpp"
#include "known_faults.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

constexpr std::string_view blanks = " \t";
constexpr std::string_view verb = "accept";
constexpr std::size_t most_of_a_line = 20;
constexpr const char* remark_form = "; write inky: accept CODE: why";

std::string_view without_blanks(std::string_view text) {
  text.remove_prefix(std::min(text.find_first_not_of(blanks), text.size()));
  return text.substr(0, text.find_last_not_of(blanks) + 1);
}

Position moved(Position at, std::size_t bytes, std::string_view text) {
  for (std::size_t i = 0; i < bytes && i < text.size(); ++i) {
    ++at.offset;
    if ((static_cast<unsigned char>(text[i]) & 0xC0U) != 0x80U) ++at.column;
  }
  return at;
}

}  // namespace

void AcceptedFaults::add(const Remark& remark) {
  std::string_view rest = remark.text;
  rest.remove_prefix(std::min(remark_mark.size(), rest.size()));
  rest = without_blanks(rest);
  if (!rest.starts_with(verb)) return;
  rest.remove_prefix(verb.size());
  if (!rest.empty() && blanks.find(rest[0]) == std::string_view::npos && rest[0] != ':') return;
  Accepting out;
  out.at = remark.at;
  out.end = moved(remark.at, remark.text.size(), remark.text);
  out.line = remark.at.line;
  if (remark.alone) {
    ++out.line;
    // Remarks that stand one below the other are about the same line.
    std::size_t count = 0;
    for (auto above = remarks_.rbegin(); above != remarks_.rend(); ++above) {
      if (above->line != remark.at.line || ++count == most_of_a_line) break;
      above->line = out.line;
    }
  }
  const std::size_t colon = std::min(rest.find(':'), rest.size());
  std::string_view names = rest.substr(0, colon);
  while (!names.empty()) {
    const std::size_t comma = std::min(names.find(','), names.size());
    const std::string_view name = without_blanks(names.substr(0, comma));
    names.remove_prefix(std::min(comma + 1, names.size()));
    if (const auto code = reported_code(name)) {
      out.codes.push_back(*code);
    } else if (!name.empty() && out.trouble.empty()) {
      out.trouble = in_quotes(name) + " is no fault that check reports. " + choices_of_codes(name);
    }
  }
  if (out.trouble.empty() && out.codes.empty())
    out.trouble = std::string("this remark names no code") + remark_form;
  if (out.trouble.empty() &&
      (colon == rest.size() || without_blanks(rest.substr(colon + 1)).empty()))
    out.trouble = std::string("this remark does not say why") + remark_form;
  out.used.resize(out.codes.size());
  const bool is_over = remarks_.size() >= most_of_a_line &&
                       remarks_[remarks_.size() - most_of_a_line].line == out.line;
  if (is_over) out.trouble = "there are more than 20 remarks about one line";
  remarks_.push_back(std::move(out));
}

bool AcceptedFaults::accept(std::size_t line, Code code) {
  bool out = false;
  auto one = std::lower_bound(
      remarks_.begin(), remarks_.end(), line,
      [](const Accepting& remark, std::size_t wanted) { return remark.line < wanted; });
  for (std::size_t i = 0; i < most_of_a_line && one != remarks_.end() && one->line == line;
       ++i, ++one) {
    for (std::size_t k = 0; one->trouble.empty() && k < one->codes.size(); ++k) {
      if (one->codes[k] != code) continue;
      one->used[k] = true;
      out = true;
    }
  }
  return out;
}

std::vector<FileFinding> AcceptedFaults::faults(const std::string& file,
                                                const CodeChoice& codes) const {
  std::vector<FileFinding> out;
  const auto put = [&](const Accepting& one, Code code, std::string message) {
    if (!codes.reports(code)) return;
    Fault fault;
    fault.code = code;
    fault.severity = Severity::warning;
    fault.message = std::move(message);
    FileFinding finding;
    finding.file = &file;
    finding.from = one.at;
    finding.to = one.end;
    finding.fingerprint = fingerprint_of({}, {}, fault);
    finding.fault = std::make_shared<const Fault>(std::move(fault));
    out.push_back(std::move(finding));
  };
  for (const Accepting& one : remarks_) {
    if (!one.trouble.empty()) {
      put(one, Code::bad_remark, one.trouble);
      continue;
    }
    for (std::size_t i = 0; i < one.codes.size(); ++i) {
      if (!one.used[i] && codes.reports(one.codes[i]))
        put(one, Code::unused_remark,
            "there is no " + std::string(name_of(one.codes[i])) + " to accept here");
    }
  }
  return out;
}

}  // namespace inky::cli
