"""Words for what the core says, from message files by language."""

from lefthand.words.words import words_of

__all__ = ["words_of"]
