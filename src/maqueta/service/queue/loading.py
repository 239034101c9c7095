"""What the process others are forked from loads first: nothing that is loaded is garbage, so none is looked for."""

import gc

gc.disable()
