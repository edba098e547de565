"""SQLite as Django speaks it, with test databases that can be cloned while a log is in use."""
