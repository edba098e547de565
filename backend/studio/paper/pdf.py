"""The practice sheet as a tagged PDF, set with typst. Data goes in as JSON, never as source."""

import json
import logging

import typst

from lefthand.drawing.svg import PAPER, svg_of
from lefthand.music.engraving import flat_svg
from studio.paper.setting import HERE, Paper, set_pdf, shipped_fonts
from studio.paper.sheet import LARGE_WIDTH, Sheet, SheetItem, drill_picture

TEMPLATE = "sheet.typ"
# A last page with less than this share of it in use is not worth a sheet of paper.
FULL_ENOUGH = 0.33
SMALLER = (0.95, 0.9)
log = logging.getLogger("jolf.paper")


def sheet_pdf(sheet: Sheet, paper: Paper = Paper.A4, *, large: bool = False) -> bytes:
    """The sheet as PDF bytes. `large`: larger print for weak eyes.

    Text in a script that the shipped fonts lack prints with a mark for each letter, and the file
    then goes without the accessibility profile, which demands every letter.
    """
    inputs = {
        "sheet": json.dumps(_data(sheet, large=large)),
        "paper": paper.value,
        "scale": "1.3" if large else "1",
    }
    inputs["scale"] = _fitting_scale(inputs)
    try:
        return set_pdf(TEMPLATE, inputs)
    except typst.TypstError as error:
        log.warning("a sheet is set without the accessibility profile: %s", error)
        return set_pdf(TEMPLATE, inputs, is_accessible=False)


def _fitting_scale(inputs: dict[str, str]) -> str:
    """The scale, a little smaller where that saves a last page with almost nothing on it."""
    usual = float(inputs["scale"])
    pages, share = _end(inputs)
    if pages == 1 or share > FULL_ENOUGH:
        return inputs["scale"]
    for smaller in SMALLER:
        scale = f"{usual * smaller:g}"
        if _end(inputs | {"scale": scale})[0] < pages:
            return scale
    return inputs["scale"]


def _end(inputs: dict[str, str]) -> tuple[int, float]:
    """How many pages there are, and the share of the last one that is in use."""
    found = typst.query(
        (HERE / TEMPLATE).read_bytes(),
        "<end>",
        field="value",
        one=True,
        font_paths=shipped_fonts(),
        sys_inputs=inputs,
    )
    end = json.loads(found)
    return end["page"], end["share"]


def _data(sheet: Sheet, *, large: bool) -> dict[str, object]:
    return {
        "first_name": sheet.first_name,
        "date": f"{sheet.date.day} {sheet.date:%B %Y}",
        "instrument": sheet.instrument,
        "focus": list(sheet.focus),
        "teacher_line": sheet.teacher_line,
        "paused": sheet.paused,
        "eased": sheet.eased,
        "reasons": list(sheet.reasons),
        "minutes": f"{sheet.minutes_a_day:g}",
        "days": list(sheet.days),
        "takes": sheet.takes,
        "items": [
            _item_data(item, seed, large=large) for seed, item in enumerate(sheet.items, start=1)
        ],
    }


def _pictures(item: SheetItem) -> list[dict[str, str]]:
    """Both hands in ink, each with its words."""
    if item.picture is None:
        return []
    ends = (item.picture.frames[0], item.picture.frames[-1])
    return [
        {"svg": svg_of(frame, PAPER), "words": words}
        for frame, words in zip(ends, item.picture.words, strict=True)
    ]


def _item_data(item: SheetItem, seed: int, *, large: bool) -> dict[str, object]:
    music = item.music
    if large and item.drill is not None:
        music = drill_picture(item.drill, seed, LARGE_WIDTH)
    return {
        "name": item.exercise.name,
        "rung": item.rung_words,
        "dose": item.dose,
        "minutes": f"{item.minutes:g}",
        "tempo": item.tempo or 0,
        "days": list(item.days),
        "why": item.why,
        "steps": list(item.steps),
        "child": item.child,
        "feel": item.exercise.feel,
        "mirror": item.exercise.mirror,
        "stop": item.exercise.stop,
        "helper": item.exercise.helper_does,
        "mistake": item.exercise.mistake,
        "over": item.exercise.over,
        "title": item.music_title,
        "credit": item.music_credit,
        "music": flat_svg(music) if music else "",
        "pictures": _pictures(item),
    }
