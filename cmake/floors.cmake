# A floor is a static library that may use only the floors it names; tests/architecture checks that
# its include lines say the same.

# What is asked of our own code, and of nothing else.
add_library(inky_warnings INTERFACE)
target_compile_options(inky_warnings INTERFACE
  -Wall -Wextra -Wpedantic -Wconversion -Wshadow $<$<BOOL:${INKY_WERROR}>:-Werror>
  # GCC 12 reports overlaps in std::string's own copying that cannot happen (GCC bug 105651).
  $<$<CXX_COMPILER_ID:GNU>:-Wno-restrict>)

# inky_unity(TARGET SOURCES ...): with INKY_UNITY, the sources of a folder are compiled as one. They read the same headers,
# which takes longer than what is in them.
function(inky_unity target)
  if(NOT INKY_UNITY)
    return()
  endif()
  set_target_properties(${target} PROPERTIES UNITY_BUILD ON UNITY_BUILD_MODE GROUP)
  foreach(source ${ARGN})
    get_filename_component(folder ${source} DIRECTORY)
    if(NOT folder)
      set(folder ${target})
    endif()
    string(MAKE_C_IDENTIFIER ${folder} group)
    set_property(SOURCE ${source} PROPERTY UNITY_GROUP ${group})
  endforeach()
endfunction()

# inky_floor(NAME SOURCES ... USES ... PACKAGES ...)
function(inky_floor name)
  cmake_parse_arguments(FLOOR "" "" "SOURCES;USES;PACKAGES" ${ARGN})
  set(target inky_${name})
  add_library(${target} STATIC)
  list(TRANSFORM FLOOR_SOURCES PREPEND ${name}/)
  target_sources(${target} PRIVATE ${FLOOR_SOURCES})
  target_include_directories(${target}
    # Headers of the floors for each other stand in src; programs see only those in include.
    PUBLIC $<BUILD_INTERFACE:${PROJECT_SOURCE_DIR}/include> $<BUILD_INTERFACE:${PROJECT_SOURCE_DIR}/src> $<INSTALL_INTERFACE:include>
    PRIVATE ${PROJECT_SOURCE_DIR}/src/${name})
  target_compile_features(${target} PUBLIC cxx_std_20)
  list(TRANSFORM FLOOR_USES PREPEND inky_)
  target_link_libraries(${target} PUBLIC ${FLOOR_USES}
    PRIVATE ${FLOOR_PACKAGES} $<BUILD_INTERFACE:inky_warnings>)
  inky_unity(${target} ${FLOOR_SOURCES})
  set_target_properties(${target} PROPERTIES EXPORT_NAME ${name} POSITION_INDEPENDENT_CODE ON)
  set_property(GLOBAL APPEND PROPERTY INKY_FLOORS ${target})
endfunction()
