# Tests that take long begin first, so that no processor waits for the last of them. In seconds, on two processors.
foreach(test_and_cost
    "cli:no template leaves its literal, asked anew|320"
    "cli:literals come back from the real toolchains as they were, asked anew|157"
    "contract:the runtimes on this machine agree, asked anew|93"
    "cli:table programs print what was said of them, asked anew|89"
    "cli:check FILE finds what compilers and runtimes refuse, asked anew|43"
    "cli:no heading and no cell leaves its literal, asked anew|30"
    "cli:carried statements print what was said, asked anew|30"
    "cli:headings that are words of a language print as they should, asked anew|21")
  string(REPLACE "|" ";" parts "${test_and_cost}")
  list(GET parts 0 name)
  list(GET parts 1 cost)
  set_tests_properties("${name}" PROPERTIES COST ${cost})
endforeach()
