# The CMake package InkyMargin: InkyMargin::inky_margin for C++, InkyMargin::c for C; the second for pkg-config too.
include(CMakePackageConfigHelpers)

add_library(inky_margin INTERFACE)
target_link_libraries(inky_margin INTERFACE inky_carry inky_check inky_scan inky_emit inky_sheet inky_write inky_contract)
add_library(InkyMargin::inky_margin ALIAS inky_margin)

get_property(floors GLOBAL PROPERTY INKY_FLOORS)
install(TARGETS ${floors} inky_margin inky_c EXPORT InkyMarginTargets
  ARCHIVE DESTINATION ${CMAKE_INSTALL_LIBDIR} LIBRARY DESTINATION ${CMAKE_INSTALL_LIBDIR})
configure_file(cmake/inky_margin.pc.in inky_margin.pc @ONLY)
install(FILES ${PROJECT_BINARY_DIR}/inky_margin.pc DESTINATION ${CMAKE_INSTALL_LIBDIR}/pkgconfig)
install(EXPORT InkyMarginTargets NAMESPACE InkyMargin::
  DESTINATION ${CMAKE_INSTALL_LIBDIR}/cmake/InkyMargin)
configure_package_config_file(cmake/InkyMarginConfig.cmake.in
  ${PROJECT_BINARY_DIR}/InkyMarginConfig.cmake
  INSTALL_DESTINATION ${CMAKE_INSTALL_LIBDIR}/cmake/InkyMargin)
write_basic_package_version_file(${PROJECT_BINARY_DIR}/InkyMarginConfigVersion.cmake
  COMPATIBILITY SameMinorVersion)
install(FILES ${PROJECT_BINARY_DIR}/InkyMarginConfig.cmake
              ${PROJECT_BINARY_DIR}/InkyMarginConfigVersion.cmake
  DESTINATION ${CMAKE_INSTALL_LIBDIR}/cmake/InkyMargin)
install(FILES include/inky_margin.h DESTINATION ${CMAKE_INSTALL_INCLUDEDIR})
install(DIRECTORY include/inky_margin DESTINATION ${CMAKE_INSTALL_INCLUDEDIR})
install(DIRECTORY demo/ DESTINATION ${CMAKE_INSTALL_DATADIR}/inky_margin/demo)
if(INKY_BUILD_TOOL)
  install(TARGETS inky)
  install(DIRECTORY ${INKY_SHELL_FILES}/man1 DESTINATION ${CMAKE_INSTALL_MANDIR})
  install(FILES ${INKY_SHELL_FILES}/bash/inky DESTINATION ${CMAKE_INSTALL_DATADIR}/bash-completion/completions)
  install(FILES ${INKY_SHELL_FILES}/zsh/_inky DESTINATION ${CMAKE_INSTALL_DATADIR}/zsh/vendor-completions)
  install(FILES ${INKY_SHELL_FILES}/fish/inky.fish DESTINATION ${CMAKE_INSTALL_DATADIR}/fish/vendor_completions.d)
endif()
