"""Puts the shared library into the package: one that is built already, or one built by CMake now.

INKY_MARGIN_LIBRARY names the built library; without it, the build folders of the project are looked through.
"""

import os
import pathlib
import shutil
import subprocess

from setuptools import setup
from setuptools.command.build_py import build_py
from setuptools.dist import Distribution

project = pathlib.Path(__file__).resolve().parents[1]
library_name = "libinky_margin.so"


def built_library():
    named = os.environ.get("INKY_MARGIN_LIBRARY")
    if named:
        return pathlib.Path(named)
    for preset in ("release", "tool"):
        library = project / "build" / preset / "src" / library_name
        if library.exists():
            return library
    folder = project / "build" / "python"
    subprocess.run(["cmake", "-S", project, "-B", folder, "-G", "Ninja", "-DCMAKE_BUILD_TYPE=Release", "-DINKY_UNITY=ON",
                    "-DINKY_BUILD_TOOL=OFF", "-DINKY_BUILD_TESTS=OFF", "-DINKY_BUILD_EXAMPLES=OFF"], check=True)
    subprocess.run(["cmake", "--build", folder, "--target", "inky_c"], check=True)
    return folder / "src" / library_name


class BuildWithLibrary(build_py):
    def run(self):
        super().run()
        shutil.copyfile(built_library().resolve(), pathlib.Path(self.build_lib) / "inky_margin" / library_name)


class BinaryDistribution(Distribution):
    def has_ext_modules(self):
        return True


setup(cmdclass={"build_py": BuildWithLibrary}, distclass=BinaryDistribution)
