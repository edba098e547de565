"""Small turns of wording that several floors need."""


def lower_first(words: str) -> str:
    """With a small first letter, to stand inside a sentence."""
    return words[:1].lower() + words[1:]


def upper_first(words: str) -> str:
    """With a capital first letter, to begin a sentence."""
    return words[:1].upper() + words[1:]
