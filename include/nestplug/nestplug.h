/* Nest Plug: all of its public headers. */
#ifndef NESTPLUG_H
#define NESTPLUG_H

#include "action.h"
#include "active.h"
#include "base.h"
#include "bind.h"
#include "calibrate.h"
#include "control.h"
#include "device.h"
#include "event.h"
#include "files.h"
#include "linux.h"
#include "learn.h"
#include "menu.h"
#include "nest.h"
#include "player.h"
#include "pointer.h"
#include "port.h"
#include "pose.h"
#include "prompt.h"
#include "replay.h"
#include "report.h"
#include "sheet.h"
#include "sim.h"
#include "system.h"
#include "touch.h"
#include "trace.h"
#include "window.h"

#endif
