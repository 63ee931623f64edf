#include "included_headers.hpp"

#include <algorithm>
#include <cstdio>
#include <filesystem>
#include <unordered_set>

#include "source_text.hpp"

namespace inky::cli {

namespace fs = std::filesystem;

std::string IncludedHeaders::found(const Include& include, const std::string& folder,
                                   const std::vector<std::string>& folders) {
  std::error_code failed;
  const auto is_there = [&](const fs::path& path) { return fs::is_regular_file(path, failed); };
  const fs::path beside = (fs::path(folder) / include.name).lexically_normal();
  if (include.in_quotes && is_there(beside)) return beside.string();
  for (const std::string& one : folders) {
    const fs::path path = (fs::path(one) / include.name).lexically_normal();
    if (is_there(path)) return path.string();
  }
  return {};
}

const SourceFacts* IncludedHeaders::read(const SourceLanguage& language, const std::string& path,
                                         const Reader& read_first) {
  const auto [at, is_new] = headers_.emplace(std::string(language.id) + " " + path, Header());
  Header& header = at->second;
  if (!is_new) return header.facts.get();
  std::error_code failed;
  const auto size = fs::file_size(path, failed);
  const std::unique_ptr<std::FILE, int (*)(std::FILE*)> stream(std::fopen(path.c_str(), "rb"),
                                                               std::fclose);
  if (failed || size > most_bytes || !stream) return nullptr;
  SourceText text(stream.get());
  header.facts =
      read_facts(language, [&](char* into, std::size_t most) { return text.read(into, most); });
  read_first(path);
  return header.facts.get();
}

std::vector<const SourceFacts*> IncludedHeaders::facts_of(const SourceLanguage& language,
                                                          const std::string& source,
                                                          const std::vector<Include>& includes,
                                                          const Reader& read_first) {
  std::vector<const SourceFacts*> out;
  const std::string path = fs::absolute(source).lexically_normal().string();
  const std::vector<std::string>* named = commands.folders_of(path);
  const std::vector<std::string> folders = named == nullptr ? std::vector<std::string>() : *named;
  std::unordered_set<std::string> seen;
  struct Waiting {
    Include include;
    std::string folder;
  };
  std::vector<Waiting> waiting;
  const auto add = [&](std::span<const Include> all, const std::string& from) {
    const std::string folder = fs::path(from).parent_path().string();
    for (const Include& one : all) waiting.push_back({one, folder});
  };
  add(includes, path);
  for (std::size_t i = 0; i < waiting.size() && out.size() < most_headers; ++i) {
    const std::string header = found(waiting[i].include, waiting[i].folder, folders);
    if (header.empty() || !seen.insert(header).second) continue;
    const SourceFacts* facts = read(language, header, read_first);
    if (facts == nullptr) continue;
    out.push_back(facts);
    add(includes_of(*facts), header);
  }
  return out;
}

}  // namespace inky::cli
