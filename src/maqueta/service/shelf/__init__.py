"""Parts: shelf, builder, models and what their drawing demands."""
