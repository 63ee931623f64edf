#include "call_checker.hpp"

namespace inky::cli {

namespace {

// The same call is often written again: what was found is kept.
constexpr std::size_t most_remembered = 20000;

}  // namespace

void CallChecker::check(const std::string& name, const SourceLanguage& language,
                        std::span<const CallForm> calls, const ByteSource& source) {
  name_ = &name;
  scan(language, calls, source, [&](const FoundCall& call) { take(call); });
  ++files_;
}

std::string CallChecker::summary() const {
  const auto counted = [](std::size_t count, std::string_view what) {
    return std::to_string(count) + " " + std::string(what) + (count == 1 ? "" : "s");
  };
  std::string out =
      counted(files_, "file") + ", " + counted(calls_, "call") + ", " + counted(faults_, "fault");
  if (unchecked_ > 0)
    out += "; " + counted(unchecked_, "call") + " not checked" +
           (lists_unchecked_ ? "" : " (--unchecked lists them)");
  return out;
}

void CallChecker::take(const FoundCall& call) {
  ++calls_;
  if (!call.source) {
    leave(call, call.why_not);
    return;
  }
  const Known& known = look(call);
  if (!known.why_not.empty()) {
    leave(call, known.why_not);
    return;
  }
  for (const Fault& fault : known.faults) {
    FileFinding finding;
    finding.file = name_;
    finding.from = call.place(fault.span.from);
    finding.to = call.end_place(fault.span.to);
    if (finding.to.offset < finding.from.offset) finding.to = finding.from;
    finding.call = call.name;
    finding.fault = fault;
    // A repair of what is not there as it is would repair something else.
    if (!call.stands_verbatim(fault.span)) finding.fault.repair.clear();
    findings_.take(finding);
    ++faults_;
  }
}

void CallChecker::leave(const FoundCall& call, std::string_view why) {
  ++unchecked_;
  if (!lists_unchecked_) return;
  FileFinding finding;
  finding.file = name_;
  finding.from = finding.to = call.at;
  finding.call = call.name;
  finding.fault = {Code::not_checked,
                   Severity::warning,
                   "this " + call.name + " is not checked: " + std::string(why),
                   {},
                   {},
                   {}};
  findings_.take(finding);
}

const CallChecker::Known& CallChecker::look(const FoundCall& call) {
  std::string key(call.dialect);
  key += '\0';
  key += *call.source;
  key += call.given.more_may_follow ? "\1" : "\2";
  key += call.given.names_from_scope ? "\1" : "\2";
  key += call.names_locale ? "\1" : "\2";
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
  const Dialect* dialect = find_dialect(call.dialect);
  Demands demands = demands_;
  demands.same_everywhere = demands.same_everywhere && !call.names_locale;
  Result<Checked> result = inky::check(*dialect, *call.source, call.given, demands);
  if (!result) {
    out.why_not = result.error().message;
    return out;
  }
  for (Fault& fault : result->faults) {
    if (fault.code == Code::not_supported_yet || fault.code == Code::over_limit) {
      out.why_not = fault.message;
      out.faults.clear();
      return out;
    }
    out.faults.push_back(std::move(fault));
  }
  return out;
}

}  // namespace inky::cli
