"""What the process others are forked from loads last: what is there is never garbage.

It is not looked through with every large piece of work, and stays memory that all of them share.
"""

import gc

gc.freeze()
gc.enable()
