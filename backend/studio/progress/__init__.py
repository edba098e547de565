"""The course over many lessons: term, letters, tables."""
