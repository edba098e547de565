"""A teacher's settings and figures."""
