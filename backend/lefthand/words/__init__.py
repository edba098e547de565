"""Words for what the core says, from message files by language."""

from lefthand.words.words import beside, day_words, value_words, words_of

__all__ = ["beside", "day_words", "value_words", "words_of"]
