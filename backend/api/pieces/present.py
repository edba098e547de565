"""A player's own music as it leaves the API."""

from dataclasses import replace

from api.drills.present import loaded_bars, notes_out
from api.pieces.heard import heard_out, to_hear_out
from api.pieces.schemas import (
    HarderOut,
    LeadDrillOut,
    LeadDrillsOut,
    LeadInOut,
    PassageOut,
    PieceNoteOut,
    PieceOut,
    PiecePartOut,
    ReachedOut,
    WorstPlaceOut,
)
from lefthand.music.engraving import engrave
from lefthand.music.musicxml import to_musicxml
from lefthand.passage.demand import Demand
from lefthand.passage.passage import Passage
from lefthand.passage.passage_json import passage_json
from lefthand.passage.release import STOP
from lefthand.passage.tastes import tastes
from lefthand.practice.own_place import MOST_BARS
from studio.models import Piece
from studio.pieces.own_places import harder_than_before
from studio.pieces.pieces import ReadPiece

MOST_REACHED = 5
WAY_SEED = 101  # of the first drill: no other music of the page has it


def piece_out(piece: Piece) -> PieceOut:
    """One line of the list of pieces."""
    return PieceOut(
        id=piece.pk,
        title=piece.title,
        brought_on=piece.brought_on,
        bars=[piece.first + 1, piece.last + 1],
    )


def passage_out(read: ReadPiece, *, simulated: bool = False) -> PassageOut:
    """simulated: a made-up player may play it."""
    to_hear, cannot_hear = to_hear_out(read, simulated=simulated)
    piece, passage = read.piece, read.passage
    told = passage_json(passage)
    way = None if read.is_paused else passage.lead_in
    return PassageOut(
        id=piece.pk,
        title=piece.title,
        parts=[PiecePartOut(id=part.id, name=part.name or part.id) for part in read.score.parts],
        part=read.score.part.id,
        whole=piece.bars,
        first=piece.first + 1,
        last=piece.last + 1,
        tempo=piece.tempo,
        music=read.music,
        notes=_notes(read),
        bars=loaded_bars(passage),
        worst=[
            WorstPlaceOut(
                bars=each["bars"],
                at=[place.bars[0] + 1, place.bars[-1] + 1],
                words=each["why"],
            )
            for each, place in zip(told["worst"], passage.worst, strict=True)
        ],
        reach=_reach(passage),
        span_known=passage.asked.span is not None,
        lets_go=sum(release.kind != STOP for release in passage.releases),
        too_few=_longest(passage),
        way=None
        if way is None
        else LeadInOut(
            start=way.start,
            goal=way.goal,
            steps=list(way.steps),
            stages=told["lead_in"]["stages"],
        ),
        paused=read.is_paused,
        remarks=list(passage.remarks),
        has_old_treble=read.score.has_old_treble,
        old_treble=piece.old_treble,
        taste=tastes()[passage.asked.taste].words if passage.asked.taste else "",
        harder=_harder(piece),
        week=[piece.place["first"] + 1, piece.place["last"] + 1] if piece.place else [],
        most_week=MOST_BARS,
        to_hear=to_hear,
        cannot_hear=cannot_hear,
        heard=heard_out(read),
    )


def _harder(piece: Piece) -> HarderOut | None:
    told = harder_than_before(piece)
    return HarderOut(than=told[0], words=told[1]) if told else None


def _notes(read: ReadPiece) -> list[PieceNoteOut]:
    found = []
    passage = read.passage
    lets_go = {release.place for release in passage.releases}
    heard = zip(passage.line, passage.fingering.hands, strict=True)
    for note_place, (note, hand) in enumerate(heard):
        tones = sorted(note.tones, key=lambda tone: tone.pitch.midi)
        places = [] if hand is None else list(hand.places)
        for tone, place in zip(reversed(tones), [*reversed(places), *[None] * 4], strict=False):
            own = read.piece.wishes.get(str(tone.number), {})
            found.append(
                PieceNoteOut(
                    number=tone.number,
                    bar=read.score.bars[note.bar].number,
                    pitch=str(tone.pitch),
                    finger=None if place is None else place.finger,
                    string=None if place is None else 4 - place.string,
                    is_harmonic=place is not None and place.is_harmonic,
                    own_finger=own.get("finger"),
                    own_string=own.get("string"),
                    lets_go=note_place in lets_go,
                    own_lets_go=own.get("lets_go"),
                )
            )
    return found


def _reach(passage: Passage) -> list[ReachedOut]:
    """Each way of reaching too far once, where it first comes, the farthest first."""
    found: dict[str, Demand] = {}
    for demand in passage.demands:
        if demand.kind == "stretch":
            found.setdefault(demand.words, demand)
    farthest = sorted(found.values(), key=lambda demand: -demand.points)[:MOST_REACHED]
    bars = passage.piece.bars
    return [ReachedOut(bar=bars[each.bar].number, words=each.words) for each in farthest]


def _longest(passage: Passage) -> float | None:
    """The longest stretch without a natural place to let go, where it is longer than this level
    bears."""
    return round(passage.longest, 1) if passage.longest > passage.ease.longest else None


def lead_drills_out(read: ReadPiece) -> LeadDrillsOut:
    """The drills to the place of the week, else to the worst one."""
    place, passage = read.piece.place, read.passage
    if read.is_paused or not (place or passage.worst):
        return LeadDrillsOut(bars=[], drills=[])
    first, last = (
        (place["first"], place["last"])
        if place
        else (passage.worst[0].bars[0], passage.worst[0].bars[-1])
    )
    drills = passage.drills_to(range(first, last + 1))
    numbers = passage.piece.bars
    return LeadDrillsOut(
        bars=[numbers[first].number, numbers[last].number],
        drills=[
            LeadDrillOut(
                title=drill.title,
                hint=drill.hint,
                tempo=drill.tempo,
                music=engrave(to_musicxml(replace(drill, hint="")), seed=WAY_SEED + number),
                notes=notes_out(drill),
            )
            for number, drill in enumerate(drills)
        ],
    )
