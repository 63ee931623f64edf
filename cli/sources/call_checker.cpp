#include "call_checker.hpp"

#include "inky_margin/check/holes.hpp"
#include "known_faults.hpp"

namespace inky::cli {

namespace {

// The same call is often written again: what was found is kept.
constexpr std::size_t most_remembered = 20000;

std::shared_ptr<const Fault> not_checked(const std::string& name, std::string_view why) {
  return std::make_shared<const Fault>(
      Fault{Code::not_checked,
            Severity::warning,
            "this " + name + " is not checked: " + std::string(why),
            {},
            {},
            {}});
}

}  // namespace

CheckedFile CallChecker::check(const std::string& name, const SourceLanguage& language,
                               std::span<const CallForm> calls,
                               std::span<const SourceFacts* const> included,
                               const ByteSource& source) {
  name_ = &name;
  language_ = &language;
  out_ = {};
  const Remarks remarks{std::string(remark_mark),
                        [&](const Remark& remark) { out_.accepted.add(remark); }};
  scan(
      language, calls, source, [&](const FoundCall& call) { take(call); }, &remarks, included);
  return std::move(out_);
}

void CallChecker::take(const FoundCall& call) {
  ++out_.calls;
  if (!call.source) {
    ++out_.not_checked;
    if (lists_unchecked_) leave(call, not_checked(call.name, call.why_not));
    return;
  }
  const Known& known = look(call);
  if (known.not_checked) {
    ++out_.not_checked;
    if (lists_unchecked_) leave(call, known.not_checked);
    return;
  }
  for (const auto& fault : known.faults) {
    FileFinding finding = finding_of(call, fault);
    finding.from = call.place(fault->span.from);
    finding.to = call.end_place(fault->span.to);
    if (finding.to.offset < finding.from.offset) finding.to = finding.from;
    // A repair of what is not there as it is would repair something else.
    finding.stands_verbatim = call.stands_verbatim(fault->span);
    out_.findings.push_back(std::move(finding));
  }
}

FileFinding CallChecker::finding_of(const FoundCall& call,
                                    std::shared_ptr<const Fault> fault) const {
  FileFinding out;
  out.file = name_;
  out.language = language_;
  out.call = call.name;
  out.fingerprint = fingerprint_of(call.name, call.source.value_or(std::string()), *fault);
  out.fault = std::move(fault);
  return out;
}

void CallChecker::leave(const FoundCall& call, std::shared_ptr<const Fault> why) {
  FileFinding finding = finding_of(call, std::move(why));
  finding.from = finding.to = call.at;
  out_.findings.push_back(std::move(finding));
}

const CallChecker::Known& CallChecker::look(const FoundCall& call) {
  std::string key(call.dialect);
  key += '\0';
  key += *call.source;
  key += call.given.more_may_follow ? "\1" : "\2";
  key += call.given.names_from_scope ? "\1" : "\2";
  key += call.given.spare ? "\1" : "\2";
  key += call.names_locale ? "\1" : "\2";
  key += static_cast<char>('0' + static_cast<int>(call.holes));
  key += call.name;
  if (call.given.values) {
    for (const Given& given : *call.given.values) {
      key += '\0' + given.name + '\1';
      // Messages name the value as it is written, and a type's name states more than the type.
      key += given.written + '\1' + given.type_name + '\1';
      if (given.type) key += name_of(*given.type);
      if (given.value) key += '\2' + describe(*given.value);
    }
  } else {
    key += '\3';
  }
  const auto found = known_.find(key);
  if (found != known_.end()) return found->second;
  if (known_.size() == most_remembered) known_.clear();
  return known_.emplace(std::move(key), checked(call)).first->second;
}

CallChecker::Known CallChecker::checked(const FoundCall& call) const {
  Known out;
  if (call.holes != HoleRule::none) {
    for (Fault& fault : check_holes(call.holes, *call.source, call.given).faults)
      out.faults.push_back(std::make_shared<const Fault>(std::move(fault)));
    return out;
  }
  const Dialect* dialect = find_dialect(call.dialect);
  Demands demands = demands_;
  demands.same_everywhere = demands.same_everywhere && !call.names_locale;
  Result<Checked> result = inky::check(*dialect, *call.source, call.given, demands);
  if (!result) {
    out.not_checked = not_checked(call.name, result.error().message);
    return out;
  }
  for (Fault& fault : result->faults) {
    if (fault.code == Code::not_supported_yet || fault.code == Code::over_limit) {
      // What was found before it stands all the same.
      if (out.faults.empty()) out.not_checked = not_checked(call.name, fault.message);
      return out;
    }
    out.faults.push_back(std::make_shared<const Fault>(std::move(fault)));
  }
  return out;
}

}  // namespace inky::cli
