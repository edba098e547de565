"""The practice sheet as pages, set with typst: a tagged PDF, or pictures of the same pages."""

import json
import logging
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Any

import typst

from lefthand.catalogue.one_things import Reader
from lefthand.drawing.svg import PAPER, svg_of
from lefthand.music.engraving import SCALE, STAFF, Style, flat_svg, size_of
from lefthand.music.musicxml import TAP
from lefthand.music.on_paper import Density, set_drill
from lefthand.music.stop_signs import signs_on_paper
from lefthand.values.dose import Dose
from lefthand.values.vocabulary import Instrument
from lefthand.words import beside, short_day, told
from studio.paper.setting import Paper, set_pdf, set_svg, shipped_fonts
from studio.sheet.days import SheetDay
from studio.sheet.helper_page import helper_page
from studio.sheet.sheet import Sheet, SheetItem

TEMPLATE = Path(__file__).with_name("sheet.typ")
MUSIC_WIDTH = 180.0  # mm between the margins
# How music is set, as it is wished for and as closely as it may be.
FOR_CHILD = (Density(7.6, 16), Density(7.0, 24))
FOR_OTHERS = (Density(6.4, 24), Density(6.0, 32))
IN_LARGE = (Density(11.0, 16),)
LARGE = 1.25
# Widths of a picture, mm: the largest that costs no page.
PICTURES = (44, 42, 40, 38, 36, 35)
PICTURES_CHILD = PICTURES[2:]
log = logging.getLogger("jolf.paper")


@dataclass(frozen=True)
class PageFor:
    """How it is printed. `code`: the private page as a square code (SVG), "" for none. `large`:
    larger print for weak eyes, on two pages. `helper`: with a page for whoever sits beside."""

    paper: Paper = Paper.A4
    large: bool = False
    code: str = ""
    helper: bool = False


USUAL = PageFor()


@dataclass(frozen=True)
class _Laid:
    """A sheet as it is laid on pages. `picture`: width of one, mm. `starts`: the exercise that
    begins a page, 0 for none."""

    data: dict[str, Any]
    page: PageFor
    picture: int = PICTURES[-1]
    starts: int = 0

    def inputs(self) -> dict[str, str]:
        return _inputs([self])

    def pages(self) -> int:
        (found,) = _told(self.inputs(), "<end>")
        return int(found)

    def uneven(self) -> float:
        """How much further one page is filled than the other, mm."""
        filled = _told(self.inputs(), "<filled>")
        return max(filled) - min(filled)


def sheet_pdf(sheet: Sheet, page: PageFor = USUAL) -> bytes:
    return sheets_pdf([(sheet, page)])


def sheets_pdf(sheets: Sequence[tuple[Sheet, PageFor]]) -> bytes:
    """Sheets one after another as PDF bytes, on the paper of the first; each begins a page. Text in
    a script that the shipped fonts lack prints with a mark for each letter, and the file then goes
    without the accessibility profile, which demands every letter."""
    inputs = _inputs([_laid(sheet, page) for sheet, page in sheets])
    try:
        return set_pdf(TEMPLATE, inputs)
    except typst.TypstError as error:
        log.warning("a sheet is set without the accessibility profile: %s", error)
        return set_pdf(TEMPLATE, inputs, is_accessible=False)


def sheet_svgs(sheet: Sheet, page: PageFor = USUAL) -> list[str]:
    """The same pages as pictures."""
    return set_svg(TEMPLATE, _laid(sheet, page).inputs())


def _inputs(laid: Sequence[_Laid]) -> dict[str, str]:
    sheets = [{"sheet": each.data, "picture": each.picture, "break": each.starts} for each in laid]
    page = laid[0].page
    return {
        "sheets": json.dumps(sheets),
        "title": told("sheet-title", sheets=len(laid), names=beside(s.data["name"] for s in laid)),
        "paper": page.paper.value,
        "scale": str(LARGE if page.large else 1),
    }


def _laid(sheet: Sheet, page: PageFor) -> _Laid:
    """The largest pictures and notes that make one page; where none do, pages that are filled about
    evenly, with music as it is wished for. A helper's page comes after."""
    is_child = sheet.reader is Reader.CHILD
    densities = IN_LARGE if page.large else FOR_CHILD if is_child else FOR_OTHERS
    alone = replace(page, helper=False)
    for density in densities:
        laid = _Laid(sheet_data(sheet, alone, density), page)
        if laid.pages() == 1:
            laid = _with_pictures(laid, PICTURES_CHILD if is_child else PICTURES, 1)
            return _with_helper(laid, sheet)
    laid = _Laid(sheet_data(sheet, alone, densities[0]), page)
    fewest = laid.pages()
    breaks = [replace(laid, starts=n) for n in range(2, len(sheet.items) + 1)]
    evenly = min(
        (each for each in breaks if each.pages() == fewest), key=_Laid.uneven, default=laid
    )
    return _with_helper(_with_pictures(evenly, PICTURES, fewest), sheet)


def _with_pictures(laid: _Laid, widths: Sequence[int], pages: int) -> _Laid:
    """The largest that need no further page."""
    sized = (replace(laid, picture=width) for width in widths)
    return next((each for each in sized if each.pages() == pages), laid)


def _with_helper(laid: _Laid, sheet: Sheet) -> _Laid:
    if not laid.page.helper or sheet.paused or not sheet.items:
        return laid
    return replace(laid, data=laid.data | {"helper_page": helper_page(sheet, laid.data["items"])})


def _told(inputs: Mapping[str, str], label: str) -> list[float]:
    """Values that the template tells under a label."""
    found = typst.query(
        TEMPLATE.read_bytes(),
        label,
        field="value",
        font_paths=shipped_fonts(),
        sys_inputs=dict(inputs),
    )
    return [float(value) for value in json.loads(found)]


def sheet_data(
    sheet: Sheet, page: PageFor = USUAL, density: Density = FOR_OTHERS[0]
) -> dict[str, Any]:
    """All words and pictures of the pages, as the template reads them."""
    is_child = sheet.reader is Reader.CHILD
    held = {day.exercises for day in sheet.days if day.exercises}
    return {
        "name": sheet.first_name,
        "instrument": sheet.instrument.words,
        "from": short_day(sheet.date),
        "says": _says(sheet),
        "minutes": _minutes(sheet.minutes_a_day) if sheet.items else "",
        "child": is_child,
        "one": sheet.one.say,
        "why": sheet.one.why,
        "code": page.code,
        "eased": sheet.eased,
        "paused": list(sheet.reasons) if sheet.paused else None,
        "differs": len(held) > 1,
        "days": [
            {
                "name": _day_name(day),
                "numbers": "".join(map(str, day.exercises)) if len(held) > 1 else "",
                "free": not day.exercises,
            }
            for day in sheet.days
        ],
        "items": [_item(sheet, item, density) for item in sheet.items],
        "helper": _helper(sheet) if is_child else "",
        "helper_page": None,
        "ear": sheet.ear_line,
        "teacher": sheet.teacher_line,
    }


def _minutes(minutes: float) -> str:
    return told("sheet-minutes", minutes=minutes)


# What the template prints of its own, by the name it has there.
SAYS = {
    "page": "sheet-page",
    "code": "sheet-code",
    "hurts": "sheet-hurts",
    "feels": "sheet-feels",
    "stop_when": "sheet-stop-when",
    "my_piece": "sheet-my-piece",
    "to": "sheet-to",
    "copy": "sheet-copy",
    "helper": "sheet-helper",
    "rest": "sheet-rest",
    "rest_until": "sheet-rest-until",
    "they_said": "sheet-they-said",
    "meanwhile": "sheet-meanwhile",
    "meanwhile_do": "sheet-meanwhile-do",
    "easing": "sheet-easing",
    "easing_do": "sheet-easing-do",
    "nothing": "sheet-nothing",
    "one_thing": "helper-one-thing",
    "how_much": "helper-how-much",
    "look": "helper-look",
}


def _says(sheet: Sheet) -> dict[str, str]:
    is_child = sheet.reader is Reader.CHILD
    child, instrument = "yes" if is_child else "no", sheet.instrument.words
    start = short_day(sheet.date)
    differs = len({day.exercises for day in sheet.days if day.exercises}) > 1
    colour = "sheet-colour-numbers" if differs else "sheet-colour"
    rings = colour if is_child else "sheet-numbers"
    return {
        **{name: told(message) for name, message in SAYS.items()},
        "head": told("sheet-page-head", name=sheet.first_name, **{"from": start}),
        "from": told("sheet-from", **{"from": start}),
        "code_words": told("sheet-code-words", child=child),
        "hurts_do": told("sheet-hurts-do", child=child, instrument=instrument),
        "own_word": told("sheet-own-word", child=child),
        "rest_see": told("sheet-rest-see", child=child),
        "rings": told(rings) if is_child or differs else "",
    }


def _day_name(day: SheetDay) -> str:
    if day.is_lesson:
        return told("sheet-lesson-day", day=day.weekday)
    return day.weekday if day.exercises else told("sheet-free-day", day=day.weekday)


def _helper(sheet: Sheet) -> str:
    if not sheet.watched:
        return ""
    see = sheet.items[sheet.watched - 1].brief.see
    return told("sheet-helper-sees", number=sheet.watched, see=see)


def _item(sheet: Sheet, item: SheetItem, density: Density) -> dict[str, Any]:
    dose, each = _dose(item.dose, item)
    given, _ = _dose(item.given_dose, item)
    is_child = sheet.reader is Reader.CHILD
    # A child's steps are those of the rung; its name is the teacher's.
    rung = "" if is_child or len(item.exercise.rungs) == 1 else item.rung_words
    tempo = item.drill.tempo if item.drill else item.tempo
    return {
        "name": item.exercise.name,
        "dose": dose,
        "before": given if given != dose else "",
        "alt": told("sheet-music-of", name=item.exercise.name),
        "rung": ", ".join(part for part in (rung, each) if part),
        "each": each,
        "steps": list(item.short_steps),
        "feel": item.brief.feel,
        "stop": item.brief.stop,
        "moves": item.picture is not None and item.picture.moves,
        "pictures": list(_pictures(item)),
        "music": list(_music(sheet, item, density)),
        "title": item.music_title,
        "credit": "" if is_child and item.drill else item.music_credit,
        "tempo": tempo or 0,
        "hint": item.drill.hint.removeprefix(f"{TAP} ") if item.drill and not is_child else "",
        "looks": signs_on_paper(item.drill.looks if item.drill else ()),
        "writes": item.exercise.takes_piece and item.place is None and item.drill is None,
    }


def _dose(dose: Dose, item: SheetItem) -> tuple[str, str]:
    """How much, and for what each and where: the finger, "each string", a place on the neck."""
    of = item.finger_words or dose.each_words()
    return dose.amount_words(), ", ".join(each for each in (of, item.spot_words) if each)


def _pictures(item: SheetItem) -> Iterator[dict[str, str]]:
    """Both hands in ink, each with its words."""
    if item.picture is None:
        return
    frames, (first, second) = item.picture.frames, item.picture.words
    yield {"svg": svg_of(frames[0], PAPER), "words": first}
    is_wrong = not item.picture.moves and ":" not in second
    yield {
        "svg": svg_of(frames[-1], PAPER),
        "words": told("sheet-not", words=second) if is_wrong else second,
    }


def _music(sheet: Sheet, item: SheetItem, density: Density) -> Iterator[dict[str, Any]]:
    if item.drill is not None:
        named = sheet.reader is not Reader.CHILD and sheet.instrument is not Instrument.BASS
        for part in set_drill(
            item.drill, MUSIC_WIDTH, density, seed=item.seed * 1000, strings_named=named
        ):
            yield {"svg": flat_svg(part.svg), "width": part.width}
    elif item.place is not None:
        scale = density.staff / STAFF
        units = round(MUSIC_WIDTH / scale * 100 / SCALE)
        drawn = item.place.drawn(units, Style.PAPER)
        if drawn:
            yield {"svg": flat_svg(drawn), "width": size_of(drawn)[0] * scale}
