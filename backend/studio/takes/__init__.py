"""Recordings that were measured."""
