# What cpack makes of a build: packages of Debian, and a tarball with all of it.
set(CPACK_GENERATOR "DEB;TGZ")
set(CPACK_PACKAGE_NAME inky)
set(CPACK_PACKAGE_VENDOR "Inky Margin")
set(CPACK_PACKAGE_CONTACT "Inky Margin <inky@example.org>")
set(CPACK_PACKAGE_DESCRIPTION_SUMMARY "${PROJECT_DESCRIPTION}")
set(CPACK_STRIP_FILES ON)
set(CPACK_COMPONENTS_ALL tool development python)
set(CPACK_DEB_COMPONENT_INSTALL ON)
set(CPACK_DEBIAN_FILE_NAME DEB-DEFAULT)
set(CPACK_DEBIAN_PACKAGE_SHLIBDEPS ON)
set(CPACK_PACKAGING_INSTALL_PREFIX /usr)

set(CPACK_DEBIAN_TOOL_PACKAGE_NAME inky)
set(CPACK_DEBIAN_TOOL_PACKAGE_SECTION devel)
set(CPACK_COMPONENT_TOOL_DESCRIPTION "Shows what a format specifier will print, and why, in thirteen languages.")

set(CPACK_DEBIAN_DEVELOPMENT_PACKAGE_NAME libinky-margin-dev)
set(CPACK_DEBIAN_DEVELOPMENT_PACKAGE_SECTION libdevel)
# What the static libraries are linked with.
set(CPACK_DEBIAN_DEVELOPMENT_PACKAGE_DEPENDS "libutf8proc-dev, libcsv-dev, pkg-config")
set(CPACK_COMPONENT_DEVELOPMENT_DESCRIPTION "Headers, static libraries and the shared library of Inky Margin.")

set(CPACK_DEBIAN_PYTHON_PACKAGE_NAME python3-inky-margin)
set(CPACK_DEBIAN_PYTHON_PACKAGE_SECTION python)
set(CPACK_DEBIAN_PYTHON_PACKAGE_DEPENDS "python3 (>= 3.9)")
set(CPACK_DEBIAN_PYTHON_PACKAGE_CONTROL_EXTRA ${PROJECT_SOURCE_DIR}/cmake/debian/prerm)
set(CPACK_COMPONENT_PYTHON_DESCRIPTION "What a format specifier will print, and why: a package for Python.")
include(CPack)
