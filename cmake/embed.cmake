# Writes a file's bytes as a C array: nplug_embed(FROM TO NAME) at configure time, again whenever
# the file changes.
function(nplug_embed from to name)
  set_property(DIRECTORY APPEND PROPERTY CMAKE_CONFIGURE_DEPENDS ${from})
  file(READ ${from} bytes HEX)
  string(REGEX REPLACE "([0-9a-f][0-9a-f])" "0x\\1," bytes "${bytes}")

  file(WRITE ${to} "#include <stddef.h>\n#include \"harbour.h\"\nconst char ${name}[] = {${bytes}};\nconst size_t ${name}_size = sizeof ${name};\n")
endfunction()
