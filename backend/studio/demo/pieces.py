"""Pieces of the demo studio: traditional tunes of the library, brought in as scores without their
fingers."""

from collections.abc import Iterable
from datetime import timedelta
from xml.etree.ElementTree import tostring

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.music.musicxml import to_musicxml
from lefthand.music.reading.unpacking import score_elements
from lefthand.music.request import DrillRequest
from lefthand.values.vocabulary import Instrument
from studio.models import Player
from studio.pieces.own_places import choose_place, read_again
from studio.pieces.pieces import change_piece, keep_piece

TUNE = "easy_tune"
EASY, HARDER = (112, 0), (96, 1)  # quarters a minute, and which tune
AHEAD = (100, 2)


def bring_in_tunes(players: Iterable[Player]) -> None:
    """For the first violinist: an easy one a month ago, a harder one after the newest lesson, whose
    worst place is to be the next step into music, and one that waits."""
    player = next((p for p in players if p.instrument == Instrument.VIOLIN), None)
    lesson = player.lessons.order_by("-date").first() if player else None
    if player is None or lesson is None:
        return
    for days, tune in ((-28, EASY), (2, AHEAD), (2, HARDER)):
        title, data = tune_score(Instrument.VIOLIN, *tune)
        piece = keep_piece(player, data, title, lesson.date + timedelta(days=days))
        change_piece(piece, {"later": tune == AHEAD})
        worst = read_again(piece).passage.worst
    if worst:
        choose_place(piece, [worst[0].bars[0] + 1, worst[0].bars[-1] + 1])


def tune_score(instrument: Instrument, tempo: int, seed: int) -> tuple[str, bytes]:
    """Title and MusicXML of a tune as it lies for this instrument, no finger printed."""
    request = DrillRequest(instrument=instrument, tempo=tempo, seed=seed)
    drill = make_drill(free_recipe(TUNE, instrument, load_catalogue()), request, ())
    root = score_elements(to_musicxml(drill).encode())
    for note in root.iter("note"):
        for notations in note.findall("notations"):
            for technical in notations.findall("technical"):
                notations.remove(technical)
    return drill.title, bytes(tostring(root, encoding="utf-8"))
