"""Players: made, written to a file and read from one, whose leave there is, erased."""
