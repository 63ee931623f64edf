# Read by cpack for each kind of package: in a tarball, bin and share stand at the top.
if(CPACK_GENERATOR STREQUAL "TGZ")
  set(CPACK_PACKAGING_INSTALL_PREFIX "/")
endif()
