"""Letters as a tagged PDF, set with typst. Data goes in as JSON, never as source."""

import json
import logging
from collections.abc import Sequence
from datetime import date
from itertools import groupby
from pathlib import Path
from typing import Any

import typst

from lefthand.drawing.term.ground import Size
from lefthand.drawing.term.picture import PAPER, Span, term_picture
from lefthand.words import day_words, told
from studio.paper.setting import Paper, set_pdf
from studio.progress.letter_about import Paragraph, unprinted
from studio.progress.letters import Letter

TEMPLATE = Path(__file__).with_name("letter.typ")
ITEM = "- "
log = logging.getLogger("jolf.paper")


def letters_pdf(
    letters: Sequence[Letter], *, author: str, on: date, paper: Paper = Paper.A4
) -> bytes:
    """The letters, each from a page of its own. Text in a script that the shipped fonts lack prints
    with a mark for each letter, and the file then goes without the accessibility profile."""
    data = {
        "title": letters[0].title if len(letters) == 1 else told("letter-several"),
        "author": author,
        "date": day_words(on),
        "letters": [_letter(each) for each in letters],
    }
    inputs = {"letters": json.dumps(data), "paper": paper.value}
    try:
        return set_pdf(TEMPLATE, inputs)
    except typst.TypstError as error:
        log.warning("letters are set without the accessibility profile: %s", error)
        return set_pdf(TEMPLATE, inputs, is_accessible=False)


def _letter(letter: Letter) -> dict[str, Any]:
    picture = term_picture(letter.term, Size.LETTER, Span.TERM, PAPER) if letter.term else None
    strings = letter.term.strings if letter.term else ()
    return {
        "title": letter.title,
        "paragraphs": [_paragraph(each) for each in letter.paragraphs],
        "picture": picture.svg if picture else "",
        "picture_says": " ".join(
            [
                told("letter-picture"),
                *(told("letter-picture-string", name=s.name, answer=s.answer) for s in strings),
            ]
        ),
        "picture_after": min(1, len(letter.paragraphs) - 1),
    }


def _paragraph(paragraph: Paragraph) -> dict[str, Any]:
    lines = [line.strip() for line in paragraph.text.splitlines() if line.strip()]
    parts = [
        {
            "kind": "list" if is_list else "text",
            "lines": [line.removeprefix(ITEM) for line in group],
        }
        for is_list, group in groupby(lines, key=lambda line: line.startswith(ITEM))
    ]
    heading = "" if paragraph.heading in unprinted() else paragraph.heading
    return {"heading": heading, "parts": parts}
