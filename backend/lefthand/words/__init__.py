"""Words for what the core says, from message files by language."""

from lefthand.words.words import (
    beside,
    day_words,
    short_day,
    told,
    value_words,
    weekday_words,
    words_of,
)

__all__ = [
    "beside",
    "day_words",
    "short_day",
    "told",
    "value_words",
    "weekday_words",
    "words_of",
]
