#include "session.hpp"

#include "session_reader.hpp"
#include "text/lower_case.hpp"

namespace inky::inline v1::octave {

std::string joined(const std::vector<std::string>& arguments) {
  std::string out;
  for (const std::string& argument : arguments) out += argument;
  return lower_case(out);
}

void read_session(TemplateContent& out, Session& session, std::vector<Words>* words) {
  SessionReader(out, session, words).read();
  out.value_names = session.names;
}

}  // namespace inky::inline v1::octave
