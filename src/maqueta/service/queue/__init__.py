"""Where long work is done: in processes beside the server, or by workers on other machines."""
