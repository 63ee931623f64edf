// Functions that a program hands its own templates through: those that are declared with
// __attribute__((format)), and those whose body hands a parameter on to one that takes a template.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/scan/scan.hpp"
#include "lexer.hpp"

namespace inky::inline v1 {

// What one file says of its functions.
class FunctionReader {
 public:
  // The parameter of one function that is an argument of another.
  struct Handed {
    std::string function;
    int parameter = 0;
    bool has_values = false;  // values follow it: `...`
    bool is_local = false;    // static
    std::string to;
    int argument = 0;
    Position at;
  };
  struct Stated {
    std::string function;
    int template_at = 0;
    bool has_values = false;
    bool is_local = false;
    Position at;
  };

  FunctionReader(const Lexis& lexis, const ByteSource& source)
      : lexis_(lexis), reader_(source), lexer_(lexis, reader_) {}
  void run();
  const std::vector<Include>& includes() const { return lexer_.includes(); }

  std::vector<Handed> handed;
  std::vector<Stated> stated;  // by an attribute

 private:
  static constexpr std::size_t most_found = 100000;
  static constexpr std::size_t most_parameters = 64;

  struct Function {
    std::string name;
    Position at;
    std::vector<std::string> parameters;  // the last word of each
    bool is_variadic = false;
    bool takes_list = false;  // a va_list
    bool is_local = false;
  };
  // A call, or the parameters of a function.
  struct Call {
    std::string name;
    Position at;
    std::vector<std::vector<Token>> arguments;  // the first tokens of each
    std::string before;                         // the word before the name
    Position before_at;
  };

  void take(const Token& token);
  void open(const Token& token);
  void close();
  void end_of_declarator(bool begins_body);
  void add_to_calls(const Token& token);
  void take_attribute(const Call& call);
  void take_declarator(const Call& call);
  void hand_on(const Call& call);

  const Lexis& lexis_;
  Reader reader_;
  Lexer lexer_;
  std::vector<Call> calls_;  // open parentheses
  std::size_t braces_ = 0;
  std::size_t body_ = 0;  // the braces that the body is within; 0: none
  bool is_static_ = false;
  std::string word_;  // the token before, where it is a word
  Position word_at_;
  std::string before_;  // the one before that
  Position before_at_;
  std::optional<Function> declared_;
  std::optional<Function> function_;
  int attribute_template_ = 0;  // from 1; 0: none
  int attribute_values_ = 0;
};

}  // namespace inky::inline v1
