"""Tests of how an installation is set up."""
