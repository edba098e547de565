"""Which part of a score is meant, and for which instrument it is."""

import re
from collections.abc import Sequence
from xml.etree.ElementTree import Element

from lefthand.music.reading.piece import Part
from lefthand.music.reading.unpacking import refused
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

MOST_TEXT = 160
LONGEST_ID = 60
# Names of parts in the usual languages; the first that fits counts.
NAMES: Sequence[tuple[str, Instrument | None]] = (
    (r"gamba", None),
    (r"violonc|\bcello|\bvlc\b|\bvc\b", Instrument.CELLO),
    (r"contrab|kontrab|double ?bass|string bass|\bdb\b|\bcb\b", Instrument.BASS),
    (r"\bviola|bratsche|\bvla\b|\bva\b|\balto\b", Instrument.VIOLA),
    (r"violin|fiddle|geige|\bvln\b|\bvn\b", Instrument.VIOLIN),
)


def text_of(element: Element, path: str, usual: str = "") -> str:
    found = element.findtext(path)
    return usual if found is None else found.strip()[:MOST_TEXT]


def id_of(element: Element) -> str:
    return element.get("id", "")[:LONGEST_ID]


def instrument_named(*names: str) -> Instrument | None:
    for name in names:
        for pattern, instrument in NAMES:
            if re.search(pattern, name.lower()):
                return instrument
    return None


def parts_of(root: Element) -> list[tuple[Part, list[Element]]]:
    """The parts with their bars, those without bars left out. Raises InputError."""
    bars = _bars(root)
    listed = {id_of(found): _part(found) for found in root.findall("part-list/score-part")}
    parts = [(listed.get(id_, Part(id_, "", None)), found) for id_, found in bars.items()]
    if not parts:
        raise refused("has no part with bars")
    return parts


def _part(found: Element) -> Part:
    name = text_of(found, "part-name")
    told = (
        text_of(found, "score-instrument/instrument-name"),
        text_of(found, "score-instrument/instrument-sound").replace(".", " "),
    )
    return Part(id_of(found), name, instrument_named(name, *told))


def _bars(root: Element) -> dict[str, list[Element]]:
    if root.tag == "score-partwise":
        return {
            id_of(part): bars for part in root.findall("part") if (bars := part.findall("measure"))
        }
    if root.tag != "score-timewise":
        raise refused(f"expected a MusicXML score, got <{root.tag[:40]}>")
    found: dict[str, list[Element]] = {}
    for bar in root.findall("measure"):
        for part in bar.findall("part"):
            part.set("number", bar.get("number", ""))
            found.setdefault(id_of(part), []).append(part)
    return found


def chosen_part(parts: Sequence[Part], asked: str | None, instrument: Instrument | None) -> Part:
    """By id, name or number from 1; else the first for this instrument; else the first."""
    if asked is None:
        return next((part for part in parts if part.instrument == instrument), parts[0])
    wanted = asked.strip().lower()
    for part in parts:
        if wanted in (part.id.lower(), part.name.lower()):
            return part
    if wanted.isdigit() and 1 <= int(wanted) <= len(parts):
        return parts[int(wanted) - 1]
    names = ", ".join(part.name or part.id for part in parts)[:MOST_TEXT]
    raise InputError("part", f"no part {asked[:40]!r}; there are {names}")
