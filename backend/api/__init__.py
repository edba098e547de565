"""The HTTP surface of the studio."""
