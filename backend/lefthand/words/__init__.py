"""Words for what the core says, from message files by language."""

from lefthand.words.words import value_words, words_of

__all__ = ["value_words", "words_of"]
