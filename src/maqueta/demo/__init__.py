"""The demo world: a made-up evening school that builds small hand looms."""
