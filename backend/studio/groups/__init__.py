"""Classes and lists of players."""
