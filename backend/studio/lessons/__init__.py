"""A lesson: its case for the core, what is decided, what stops it, ways to the records."""
