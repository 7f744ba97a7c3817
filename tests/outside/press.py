"""A binding made from the headers alone: a key is pressed, and a player's horn hoots.

python3 press.py INCLUDE_FOLDER LIBRARY prints "hoots: 1"."""
import re
import subprocess
import sys
import warnings

from cffi import FFI

warnings.simplefilter("ignore")
include, library = sys.argv[1:]
text = subprocess.run(
    ["cc", "-E", "-P", "-DNPLUG_API=", "-I", include, include + "/nestplug/nestplug.h"],
    capture_output=True, text=True, check=True).stdout
text = text[text.index("typedef enum nplug_result"):]  # libc's own types are known
text = re.sub(r"static inline [^{;]*\{.*?\n\}", "", text, flags=re.S)

ffi = FFI()
ffi.cdef(text)
lib = ffi.dlopen(library)

names = [ffi.new("char[]", b"horn"), ffi.new("char[]", b"pad:south | key:KeyH")]
action = ffi.new("nplug_action_def *", [names[0], lib.NPLUG_ACTION_BUTTON, names[1], 0])
game = ffi.new("nplug_game *")
lib.nplug_game_init(game, ffi.sizeof("nplug_game"))
game.name, game.actions, game.action_count = names[0], action, 1
nest = ffi.new("nplug_nest **")
assert lib.nplug_start_bare(game, ffi.NULL, nest) == lib.NPLUG_OK
sim = lib.nplug_sim_start(nest[0])
lib.nplug_sim_plug(sim, 0, b"keys", b"turnstone")
lib.nplug_sim_press(sim, 1000, b"keys", b"KeyH", 5000)
lib.nplug_step(nest[0], 20000)
print("hoots:", lib.nplug_presses(nest[0], 0xFFFFFFFF, 0))
lib.nplug_stop(nest[0])
