"""A piece of the demo studio: a traditional tune of the library, brought in as a score without its
fingers."""

from collections.abc import Iterable
from xml.etree.ElementTree import tostring

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.compose import free_recipe, make_drill
from lefthand.music.musicxml import to_musicxml
from lefthand.music.reading.unpacking import score_elements
from lefthand.music.request import DrillRequest
from lefthand.values.vocabulary import Instrument
from studio.models import Player
from studio.services.pieces import keep_piece

TUNE = "easy_tune"
TEMPO, SEED = 96, 3


def bring_in_a_tune(players: Iterable[Player]) -> None:
    """For the first violinist."""
    player = next((p for p in players if p.instrument == Instrument.VIOLIN), None)
    lesson = player.lessons.order_by("-date").first() if player else None
    if player is None or lesson is None:
        return
    title, data = tune_score(Instrument.VIOLIN)
    keep_piece(player, data, title, lesson.date)


def tune_score(instrument: Instrument) -> tuple[str, bytes]:
    """Title and MusicXML of a tune as it lies for this instrument, no finger printed."""
    request = DrillRequest(instrument=instrument, tempo=TEMPO, seed=SEED)
    drill = make_drill(free_recipe(TUNE, instrument, load_catalogue()), request, ())
    root = score_elements(to_musicxml(drill).encode())
    for note in root.iter("note"):
        for notations in note.findall("notations"):
            for technical in notations.findall("technical"):
                notations.remove(technical)
    return drill.title, bytes(tostring(root, encoding="utf-8"))
