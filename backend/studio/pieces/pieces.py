"""A player's own music: kept as it came, read for this player's trouble, changed by the teacher."""

import base64
import binascii
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from functools import cached_property, lru_cache
from pathlib import Path
from typing import Any

from django.db import transaction
from django.db.models import QuerySet

from lefthand.music.engraved_apart import engraved_apart
from lefthand.music.reading.marking import drawn_part, marked_score
from lefthand.music.reading.piece import Piece as Score
from lefthand.music.reading.reader import read_piece
from lefthand.passage.extent import check_fits, last_that_fits
from lefthand.passage.fingering import Wish
from lefthand.passage.levels import weights
from lefthand.passage.marks import marks_of
from lefthand.passage.passage import Asked, Passage, next_taste, read_passage
from lefthand.passage.played import played
from lefthand.passage.tastes import USUAL, tastes
from lefthand.reason.explain import CauseView
from lefthand.values.errors import InputError
from lefthand.values.fields import read_flag, read_mapping, read_number, read_whole, read_words
from lefthand.values.vocabulary import FINGERS, Instrument, Level
from studio.errors import StudioError
from studio.keeping.turns import my_turn
from studio.lessons.cases import LessonView
from studio.lessons.flags import open_flags
from studio.lessons.reach import measured_span
from studio.memory.findings import way_of_teaching
from studio.models import Piece, Player

MOST_PIECES = 30  # of one player
MOST_BARS = 64  # looked at together
USUAL_BARS = 32
TEMPI = (10, 400)
STRINGS = 4
LEAST_PROBABILITY = 0.15
WISHES = ("finger", "string", "lets_go")
MOST_TITLE = 160
UNTITLED = "A piece"
MUSIC_WIDTH = 1300
MUSIC_ROOM = 18  # for the string of its load under each system
KEPT = 8  # scores


@dataclass(frozen=True)
class ReadPiece:
    """A kept piece with what follows from it for its player."""

    piece: Piece
    score: Score
    passage: Passage

    @cached_property
    def is_paused(self) -> bool:
        """True while a stop is up: nobody is sent to practise then."""
        return bool(open_flags(self.piece.player))

    def drawn(self, first: int, last: int) -> str:
        """Some bars as MusicXML, clean, each note with its number as `note-7`."""
        marks = marks_of(self.passage)
        plays = self.passage.asked.instrument
        return drawn_part(bytes(self.piece.score), self.score.part, marks, first, last, plays)

    @property
    def music(self) -> str:
        """The chosen bars as SVG; "" for what cannot be drawn."""
        drawn = self.drawn(self.piece.first, self.piece.last)
        try:
            return engraved_apart((drawn,), MUSIC_WIDTH, MUSIC_ROOM)[0]
        except InputError:
            return ""

    @property
    def marked(self) -> bytes:
        """The whole file as it came, with the fingers and places to let go of the chosen bars."""
        return marked_score(bytes(self.piece.score), self.score.part, marks_of(self.passage))


def pieces_of(player: Player) -> QuerySet[Piece]:
    """Without the files themselves."""
    return player.pieces.defer("score")


def piece_of(player: Player, piece_id: int) -> Piece:
    """Raises StudioError."""
    found = player.pieces.filter(pk=piece_id).first()
    if found is None:
        raise StudioError("not_found", "piece")
    return found


def keep_piece(player: Player, data: bytes, name: str, on: date) -> Piece:
    """Raises StudioError naming the field."""
    if player.pieces.count() >= MOST_PIECES:
        raise StudioError("conflict", "piece", f"there are {MOST_PIECES} pieces: remove some")
    score = _read(data, None, Instrument(player.instrument))
    if not score.events:
        raise StudioError("bad_input", "file", "has no notes in its part")
    try:
        last = last_that_fits(score, 0, min(len(score.bars), USUAL_BARS) - 1)
    except InputError as error:
        raise StudioError("bad_input", "file", error.problem) from error
    return Piece.objects.create(
        player=player,
        brought_on=on,
        title=score.title or Path(name).stem[:100] or UNTITLED,
        part=score.part.id,
        bars=len(score.bars),
        first=0,
        last=last,
        score=data,
    )


def piece_from_file(player: Player, row: Mapping[str, Any], title: str, on: date) -> Piece:
    """As a player file holds it. Raises InputError or StudioError naming the field."""
    try:
        data = base64.b64decode(read_words("score", [row["score"]])[0], validate=True)
    except (binascii.Error, ValueError) as error:
        raise InputError("score", "is not base64") from error
    piece = keep_piece(player, data, title, on)
    try:
        _as_in_file(piece, row, title)
    except BaseException:
        piece.delete()
        raise
    return piece


def _as_in_file(piece: Piece, row: Mapping[str, Any], title: str) -> None:
    piece.title = title[:MOST_TITLE] or piece.title
    piece.save(update_fields=["title"])
    first, last = (read_whole(n, row.get(n, 0), 0, piece.bars - 1) + 1 for n in ("first", "last"))
    plain = {name: row.get(name) for name in ("part", "tempo", "later", "old_treble")}
    change_piece(piece, plain)
    change_piece(piece, {"first": first, "last": last})
    taste = row.get("taste")
    piece.taste = taste if isinstance(taste, str) and taste in tastes() else USUAL
    piece.save(update_fields=["taste"])
    for number, wish in read_mapping("wishes", row.get("wishes") or {}).items():
        told = read_mapping("wishes", wish)
        place = int(number) if number.isascii() and number.isdigit() else number
        change_piece(piece, {**told, "number": place})


def change_piece(piece: Piece, told: Mapping[str, Any]) -> None:
    """part, first and last (bars from 1), tempo, later, old_treble; another: True for other fingers
    to be proposed; one note's number with finger, string and lets_go, each None for what is
    proposed. What is not there stays, also what another tab changes meanwhile. Raises StudioError
    naming the field."""
    try:
        changed = [name for each in CHANGES for name in each(piece, told)]
        note = _note(told)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    if told.get("another"):
        now = read(piece)
        piece.taste = next_taste(now.score, now.passage.asked)
        changed.append("taste")
    if changed:
        piece.save(update_fields=changed)
    if note:
        _wish(piece, *note)


def read(piece: Piece, bars: tuple[int, int] | None = None) -> ReadPiece:
    """For the trouble that the player's newest lesson found. bars: places that are looked at too,
    or alone where they lie far from those that are worked on."""
    player = piece.player
    instrument = Instrument(player.instrument)
    score = _score_of(piece, piece.part)
    causes, finger = trouble_of(player)
    try:
        looked_at = _looked_at(piece, bars, score)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    span = measured_span(player)
    asked = Asked(
        instrument=instrument,
        level=Level(player.level),
        causes=causes,
        finger=finger,
        tempo=piece.tempo,
        span=span.span if span else None,
        bars=looked_at,
        bass=way_of_teaching(player).get("bass_fingering", "124"),
        taste=piece.taste if piece.taste in tastes() else USUAL,
        **_words_of(piece, score, looked_at),
    )
    return ReadPiece(piece, score, read_passage(score, asked))


def _looked_at(piece: Piece, bars: tuple[int, int] | None, score: Score) -> tuple[int, int]:
    first, last = piece.first, min(piece.last, len(score.bars) - 1)
    last = last_that_fits(score, first, last)
    if bars is None:
        return first, last
    begin, end = min(first, bars[0]), max(last, bars[1])
    fits = end - begin < MOST_BARS and last_that_fits(score, begin, end) == end
    return (begin, end) if fits else bars


def _score_of(piece: Piece, part: str) -> Score:
    old_treble = bool(piece.old_treble) and part == piece.part
    return _read(bytes(piece.score), part, Instrument(piece.player.instrument), old_treble)


def _read(data: bytes, part: str | None, instrument: Instrument, old_treble: bool = False) -> Score:
    try:
        return _score(data, part, instrument, old_treble)
    except InputError as error:
        field = "file" if error.field == "piece" else error.field
        raise StudioError("bad_input", field, error.problem) from error


@lru_cache(maxsize=KEPT)
def _score(data: bytes, part: str | None, instrument: Instrument, old_treble: bool) -> Score:
    """The pieces that are being worked on are not read anew at each touch."""
    return read_piece(data, part, instrument, old_treble=old_treble)


def _part(piece: Piece, told: Mapping[str, Any]) -> list[str]:
    """Another part, not saved yet; the names of what changed."""
    if told.get("part") is None:
        return []
    score = _score_of(piece, told["part"])
    if score.part.id == piece.part:
        return []
    piece.part, piece.wishes, piece.place, piece.heard = score.part.id, {}, None, None
    piece.old_treble = None
    return ["part", "wishes", "place", "heard", "old_treble"]


def _bars(piece: Piece, told: Mapping[str, Any]) -> list[str]:
    first, last = told.get("first"), told.get("last")
    if first is None and last is None:
        return []
    first = read_whole("first", piece.first + 1 if first is None else first, 1, piece.bars)
    last = read_whole("last", piece.last + 1 if last is None else last, first, piece.bars)
    if last - first >= MOST_BARS:
        raise InputError("last", f"expected at most {MOST_BARS} bars at a time")
    score = _score_of(piece, piece.part)
    check_fits(score, first - 1, last - 1)
    piece.first, piece.last = first - 1, last - 1
    return ["first", "last"]


def _tempo(piece: Piece, told: Mapping[str, Any]) -> list[str]:
    if "tempo" not in told:
        return []
    tempo = told["tempo"]
    piece.tempo = None if tempo is None else read_number("tempo", tempo, *TEMPI)
    return ["tempo"]


def _later(piece: Piece, told: Mapping[str, Any]) -> list[str]:
    if told.get("later") is None:
        return []
    piece.later = read_flag("later", told["later"])
    return ["later"]


def _old_treble(piece: Piece, told: Mapping[str, Any]) -> list[str]:
    """Other pitches: what a take told of them no longer holds."""
    if told.get("old_treble") is None:
        return []
    answer = read_flag("old_treble", told["old_treble"])
    if answer != bool(piece.old_treble):
        piece.heard = None
    piece.old_treble = answer
    return ["old_treble", "heard"]


CHANGES = (_part, _old_treble, _bars, _tempo, _later)


def _note(told: Mapping[str, Any]) -> tuple[str, dict[str, Any]] | None:
    """A note's number and what is wished for it, nothing for what is proposed."""
    if told.get("number") is None:
        return None
    number = read_whole("number", told["number"], 1, 10**6)
    wish = {name: told[name] for name in WISHES if told.get(name) is not None}
    if "finger" in wish:
        read_whole("finger", wish["finger"], 0, FINGERS[-1])
    if "string" in wish:
        read_whole("string", wish["string"], 1, STRINGS)
    if "lets_go" in wish:
        read_flag("lets_go", wish["lets_go"])
    return str(number), wish


def _wish(piece: Piece, number: str, wish: Mapping[str, Any]) -> None:
    with my_turn(), transaction.atomic():
        piece.refresh_from_db(fields=["wishes"])
        others = {key: each for key, each in piece.wishes.items() if key != number}
        piece.wishes = {**others, number: wish} if wish else others
        piece.save(update_fields=["wishes"])


def _words_of(piece: Piece, score: Score, bars: tuple[int, int]) -> dict[str, Any]:
    """The teacher's own wishes and places to let go, by place among the notes looked at."""
    line = [n for n in played(score, piece.tempo) if bars[0] <= n.bar <= bars[1]]
    wishes: dict[int, list[Wish]] = {}
    releases: dict[int, bool] = {}
    for place, note in enumerate(line):
        for tone in note.tones:
            told = piece.wishes.get(str(tone.number), {})
            finger, string, lets_go = (told.get(name) for name in WISHES)
            if finger is not None or string is not None:
                below = None if string is None else STRINGS - string
                wishes[place] = [Wish(finger, below, tone.pitch.midi)]
            if lets_go is not None:
                releases[place] = lets_go
    return {"wishes": wishes, "releases": releases}


def trouble_of(player: Player) -> tuple[dict[str, float], int]:
    """Causes that are possible now and that music can bring back, with their probability, and the
    weak finger; nothing known means all causes alike."""
    lesson = player.lessons.order_by("-date").first()
    return ({}, FINGERS[-1]) if lesson is None else trouble_in(LessonView(lesson))


def trouble_in(view: LessonView) -> tuple[dict[str, float], int]:
    """As of one lesson."""
    views: list[CauseView] = list(view.diagnosis.causes)
    told = {
        view.cause: view.probability
        for view in views
        if view.cause in weights() and view.probability >= LEAST_PROBABILITY
    }
    weak = next((view.fingers for view in views if view.cause == "weak_finger"), ())
    return told, weak[0] if weak else FINGERS[-1]
