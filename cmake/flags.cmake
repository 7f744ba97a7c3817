# How all of the project is compiled.  The numbers must be the same on every target: no contraction,
# no wider steps (the core refuses to be built with fast-math or wide evaluation).  Nobody reads errno
# after a root, so that it is one instruction.

include(CheckCCompilerFlag)

# Some processors are slow at jumps that lie across a line of 32 bytes; without this, how fast a build
# is depends on where its jumps happen to lie.
set(NPLUG_JUMPS -Wa,-mbranches-within-32B-boundaries)
check_c_compiler_flag(${NPLUG_JUMPS} NPLUG_HAS_JUMPS)

set(NPLUG_SANITIZERS -fsanitize=${NPLUG_SANITIZE} -fno-sanitize-recover=all)

function(nplug_flags target)
  set_target_properties(${target} PROPERTIES C_STANDARD 11 C_STANDARD_REQUIRED ON C_EXTENSIONS OFF)
  target_compile_options(${target} PRIVATE -ffp-contract=off -fno-math-errno -Wall -Wextra -Werror
                         -Wstrict-prototypes -Wmissing-prototypes -Wvla -Wpointer-arith)
  if(CMAKE_SYSTEM_PROCESSOR MATCHES "^i[3-6]86$")
    target_compile_options(${target} PRIVATE -msse2 -mfpmath=sse)
  endif()
  # Fat objects: whoever links the static libraries may do without it.
  if(NPLUG_LTO AND CMAKE_C_COMPILER_ID STREQUAL "GNU")
    target_compile_options(${target} PRIVATE -flto=auto -ffat-lto-objects)
    target_link_options(${target} PRIVATE -flto=auto)
    if(NPLUG_HAS_JUMPS)
      target_compile_options(${target} PRIVATE ${NPLUG_JUMPS})
      target_link_options(${target} PRIVATE ${NPLUG_JUMPS})
    endif()
  endif()
  if(NPLUG_SANITIZE)
    target_compile_options(${target} PRIVATE ${NPLUG_SANITIZERS} -fno-omit-frame-pointer)
    target_link_options(${target} PRIVATE ${NPLUG_SANITIZERS})
  endif()
endfunction()
