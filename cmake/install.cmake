# The CMake package InkyMargin: InkyMargin::inky_margin for C++, InkyMargin::c for C; the second for pkg-config too.
include(CMakePackageConfigHelpers)

add_library(inky_margin INTERFACE)
target_link_libraries(inky_margin INTERFACE inky_carry inky_compose inky_check inky_scan inky_emit inky_sheet inky_write inky_contract)
add_library(InkyMargin::inky_margin ALIAS inky_margin)

get_property(floors GLOBAL PROPERTY INKY_FLOORS)
install(TARGETS ${floors} inky_margin inky_c EXPORT InkyMarginTargets
  ARCHIVE DESTINATION ${CMAKE_INSTALL_LIBDIR} COMPONENT development
  LIBRARY DESTINATION ${CMAKE_INSTALL_LIBDIR} COMPONENT development NAMELINK_COMPONENT development)
# The file says where it stands itself, so that a tree may be moved.
file(RELATIVE_PATH INKY_PREFIX_FROM_PKGCONFIG
  ${CMAKE_INSTALL_FULL_LIBDIR}/pkgconfig ${CMAKE_INSTALL_PREFIX})
configure_file(cmake/inky_margin.pc.in inky_margin.pc @ONLY)
install(FILES ${PROJECT_BINARY_DIR}/inky_margin.pc DESTINATION ${CMAKE_INSTALL_LIBDIR}/pkgconfig COMPONENT development)
install(EXPORT InkyMarginTargets NAMESPACE InkyMargin::
  DESTINATION ${CMAKE_INSTALL_LIBDIR}/cmake/InkyMargin COMPONENT development)
configure_package_config_file(cmake/InkyMarginConfig.cmake.in
  ${PROJECT_BINARY_DIR}/InkyMarginConfig.cmake
  INSTALL_DESTINATION ${CMAKE_INSTALL_LIBDIR}/cmake/InkyMargin)
write_basic_package_version_file(${PROJECT_BINARY_DIR}/InkyMarginConfigVersion.cmake
  COMPATIBILITY SameMinorVersion)
install(FILES ${PROJECT_BINARY_DIR}/InkyMarginConfig.cmake
              ${PROJECT_BINARY_DIR}/InkyMarginConfigVersion.cmake
  DESTINATION ${CMAKE_INSTALL_LIBDIR}/cmake/InkyMargin COMPONENT development)
install(FILES include/inky_margin.h DESTINATION ${CMAKE_INSTALL_INCLUDEDIR} COMPONENT development)
install(DIRECTORY include/inky_margin DESTINATION ${CMAKE_INSTALL_INCLUDEDIR} COMPONENT development)
if(INKY_BUILD_TOOL)
  install(TARGETS inky COMPONENT tool)
  install(FILES docs/codes.md DESTINATION ${CMAKE_INSTALL_DOCDIR} COMPONENT tool)
  install(DIRECTORY demo/ DESTINATION ${CMAKE_INSTALL_DATADIR}/inky_margin/demo COMPONENT tool)
  install(DIRECTORY ${INKY_SHELL_FILES}/man1 DESTINATION ${CMAKE_INSTALL_MANDIR} COMPONENT tool)
  install(FILES ${INKY_SHELL_FILES}/bash/inky
    DESTINATION ${CMAKE_INSTALL_DATADIR}/bash-completion/completions COMPONENT tool)
  install(FILES ${INKY_SHELL_FILES}/zsh/_inky
    DESTINATION ${CMAKE_INSTALL_DATADIR}/zsh/vendor-completions COMPONENT tool)
  install(FILES ${INKY_SHELL_FILES}/fish/inky.fish
    DESTINATION ${CMAKE_INSTALL_DATADIR}/fish/vendor_completions.d COMPONENT tool)
endif()

# The package for Python has a library of its own; pip installs it for other prefixes than a package's.
set(python_folder lib/python3/dist-packages/inky_margin)
install(DIRECTORY python/inky_margin/ DESTINATION ${python_folder} COMPONENT python EXCLUDE_FROM_ALL
  PATTERN __pycache__ EXCLUDE PATTERN "*.so" EXCLUDE)
install(PROGRAMS $<TARGET_FILE:inky_c> DESTINATION ${python_folder} RENAME libinky_margin.so COMPONENT python EXCLUDE_FROM_ALL)
