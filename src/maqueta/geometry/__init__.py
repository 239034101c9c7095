"""The plane and its directions: carriers, intervals, line sets and how they compare, crossings, boxes, frames."""
