// inky check and git: lines that changed since a revision, and patterns of paths.

#include <catch2/catch.hpp>
#include <filesystem>
#include <set>

#include "sources/path_patterns.hpp"
#include "support/check_in.hpp"
#include "support/random_values.hpp"

using support::check_in;
using support::Folder;
using support::has;
using support::places_of;
using support::Ran;
using support::right;
using support::wrong;

TEST_CASE("check: only lines that changed since a revision") {
  if (support::shell("git --version").status != 0) {
    WARN("skipped: git is not here");
    return;
  }
  const Folder folder;
  const auto git = [&](const std::string& arguments) {
    const Ran ran = support::shell("cd '" + folder.path.string() +
                                   "' && git -c user.name=Ada -c user.email=ada@example.org "
                                   "-c init.defaultBranch=main " +
                                   arguments);
    INFO(ran.err);
    REQUIRE(ran.status == 0);
  };
  folder.put("src/a.c", std::string(wrong) + right + wrong);
  folder.put("src/the \"b\" \xC3\xA9.c", wrong);
  folder.put("src/gone.c", wrong);
  git("init -q");
  git("add .");
  git("commit -q -m first");
  CHECK(check_in(folder, "src --changed-since HEAD").status == 0);
  folder.put("src/a.c", "int n;\n" + std::string(wrong) + "printf(\"%d\", 7.5);\n" + wrong);
  folder.put("src/new.c", std::string(right) + wrong);
  folder.put("src/the \"b\" \xC3\xA9.c", std::string(wrong) + "++ b/x\n" + wrong);
  std::filesystem::remove(folder.path / "src/gone.c");
  const Ran ran = check_in(folder, "src --changed-since HEAD");
  CHECK(ran.status == 1);
  CHECK(places_of(ran.out) == "src/a.c:3 src/new.c:2 src/the \"b\" \xC3\xA9.c:3");
  // The same once it is committed, against the first.
  git("add -A");
  git("commit -q -m second");
  CHECK(check_in(folder, "src --changed-since HEAD").status == 0);
  CHECK(places_of(check_in(folder, "src --changed-since HEAD~1").out) == places_of(ran.out));
  CHECK(places_of(check_in(folder, "src/a.c --changed-since HEAD~1").out) == "src/a.c:3");
  for (const char* revision : {"nothing", "--output=x", "-p"}) {
    const Ran bad = check_in(folder, std::string("src --changed-since=") + revision);
    CHECK(bad.status == 2);
    CHECK(has(bad.err, "is no revision of"));
  }
  // What a repository's settings name is not run.
  folder.put("run.sh", "#!/bin/sh\ntouch '" + folder.path.string() + "/was-run'\n");
  std::filesystem::permissions(folder.path / "run.sh", std::filesystem::perms::owner_all);
  for (const char* key : {"core.fsmonitor", "diff.external"})
    git(std::string("config ") + key + " '" + folder.path.string() + "/run.sh'");
  CHECK(check_in(folder, "src --changed-since HEAD~1").status == 1);
  CHECK_FALSE(std::filesystem::exists(folder.path / "was-run"));
}

TEST_CASE("check: patterns of paths mean what they mean to git") {
  if (support::shell("git --version").status != 0) {
    WARN("skipped: git is not here");
    return;
  }
  const Folder folder;
  REQUIRE(support::shell("git init -q '" + folder.path.string() + "'").status == 0);
  const std::vector<std::string> pieces = {"a",    "b",  "*",           "**", "/",  "?",   "[ab]",
                                           "[!a]", ".c", "\\*",         "\\", "ab", " ",   "[a-b]",
                                           "]",    "[",  "[[:alpha:]]", "!",  "#",  "**/", "/**"};
  std::vector<std::string> names = {"a/b/a.c", "b/a/ab", "ab/a", "a.c", "c/*", "a b",
                                    "]",       "#",      "!",    "[",   "aab", "a/a/b/b.c"};
  for (const std::string& name : names) folder.put(name, "");
  for (const char* name : {"a", "a/b", "b", "b/a", "ab", "c", "a/a", "a/a/b"})
    names.emplace_back(name);
  support::RandomValues random(support::seed(20261130));
  std::string list;
  for (const std::string& name : names) list += name + "\n";
  for (int round = 0; round < 300; ++round) {
    std::string lines;
    for (int i = random.below(3); i >= 0; --i) {
      std::string line;
      for (int k = random.below(4); k >= 0; --k)
        line += pieces[static_cast<std::size_t>(random.below(static_cast<int>(pieces.size())))];
      lines += line + "\n";
    }
    folder.put(".gitignore", lines);
    inky::cli::PathPatterns ours;
    ours.add("", lines);
    const Ran theirs = support::shell(
        "cd '" + folder.path.string() + "' && git check-ignore --no-index --stdin", list);
    std::set<std::string> ignored;
    for (std::size_t at = 0; at < theirs.out.size();) {
      const std::size_t end = theirs.out.find('\n', at);
      ignored.insert(theirs.out.substr(at, end - at));
      at = end + 1;
    }
    for (const std::string& name : names) {
      INFO("patterns: " << lines << "path: " << name);
      bool out = ours.excludes(name, std::filesystem::is_directory(folder.path / name));
      for (std::size_t at = name.find('/'); !out && at != std::string::npos;
           at = name.find('/', at + 1))
        out = ours.excludes(name.substr(0, at), true);
      CHECK(out == ignored.contains(name));
    }
  }
}
