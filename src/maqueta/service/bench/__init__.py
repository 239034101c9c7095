"""The bench: drafts, ink, helps, model answers, the reader's eye."""
