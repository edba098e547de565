"""Drills to try: settings in, music out, as picture, notes and files."""

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from api.answers import PDF, as_file
from api.drills.present import loaded_bars, looks_out, notes_out
from api.drills.schemas import DrillChoicesOut, DrillIn, DrillKindOut, DrillOut, TuneOut
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.composing.tune_drill import tunes_of
from lefthand.music.blanks import Blanks
from lefthand.music.engraving import engrave
from lefthand.music.hands import FRAMES, POSITIONS
from lefthand.music.midi import to_midi
from lefthand.music.musicxml import DRAWN, to_musicxml
from lefthand.music.request import DrillRequest
from lefthand.music.score import Drill
from lefthand.passage.harder import asked_most, asks_of
from lefthand.passage.of_drill import passage_of_drill
from lefthand.passage.passage import Asked
from lefthand.passage.returns import USUAL_FINGER
from lefthand.values.fields import read_choice
from lefthand.values.vocabulary import Instrument
from lefthand.words.words import words_of
from studio.sheet.drill_page import drill_pdf

router = Router(tags=["drills"])

MUSICXML = "application/vnd.recordare.musicxml+xml"


@router.get("/choices", response=DrillChoicesOut)
def read_choices(request: HttpRequest) -> DrillChoicesOut:
    """Drills, tunes, and the positions and frames of each instrument."""
    return DrillChoicesOut(
        drills=[
            DrillKindOut(
                id=name,
                title=next(iter(recipes.values())).title,
                hint=next(iter(recipes.values())).hint,
                instruments=[instrument.value for instrument in recipes],
                takes_tune=any(recipe.tune is not None for recipe in recipes.values()),
            )
            for name, recipes in load_catalogue().drills.items()
        ],
        tunes=[
            TuneOut(
                id=tune.id,
                title=tune.title,
                origin=tune.origin,
                level=tune.level.value,
                instruments=[i.value for i in Instrument if tune in tunes_of(i)],
            )
            for tune in sorted(load_catalogue().tunes.values(), key=lambda tune: tune.title)
        ],
        positions={i.value: sorted(POSITIONS[i]) for i in Instrument},
        frames={i.value: list(FRAMES[i]) for i in Instrument},
    )


@router.get("/one", response=DrillOut)
def read_drill(request: HttpRequest, wanted: Query[DrillIn]) -> DrillOut:
    """A drill as music, notes and what it asks of the hand."""
    drill = _drill(wanted)
    finger = wanted.finger or wanted.high or USUAL_FINGER
    passage = passage_of_drill(drill, Asked(drill.instrument, finger=finger))
    return DrillOut(
        title=drill.title,
        tempo=drill.tempo,
        beats=drill.beats,
        music=engrave(to_musicxml(drill, shown=DRAWN), seed=wanted.seed),
        notes=notes_out(drill),
        looks=looks_out(drill),
        asks=[words_of(each) for each in asked_most(asks_of(passage), finger)],
        bars=loaded_bars(passage),
    )


@router.get("/one.musicxml", openapi_extra={"responses": {200: {"content": {MUSICXML: {}}}}})
def read_musicxml(request: HttpRequest, wanted: Query[DrillIn]) -> HttpResponse:
    """The same as MusicXML."""
    drill = _drill(wanted)
    return as_file(to_musicxml(drill).encode(), MUSICXML, f"{drill.name}.musicxml")


@router.get("/one.mid", openapi_extra={"responses": {200: {"content": {"audio/midi": {}}}}})
def read_midi(request: HttpRequest, wanted: Query[DrillIn]) -> HttpResponse:
    """The same as MIDI."""
    drill = _drill(wanted)
    return as_file(to_midi(drill), "audio/midi", f"{drill.name}.mid")


@router.get("/one.pdf", openapi_extra={"responses": {200: {"content": {PDF: {}}}}})
def read_page(
    request: HttpRequest, wanted: Query[DrillIn], blanks: Blanks | None = None
) -> HttpResponse:
    """The same to print; `blanks`: with one note a bar, or every second bar, left to the player."""
    drill = _drill(wanted)
    return as_file(drill_pdf(drill, blanks), PDF, f"{drill.name}.pdf", shown=True)


def _drill(wanted: DrillIn) -> Drill:
    pair = (wanted.low, wanted.high) if wanted.low and wanted.high else None
    instrument = read_choice("instrument", wanted.instrument, Instrument)
    return make_drill(
        free_recipe(wanted.drill, instrument, load_catalogue()),
        DrillRequest(
            instrument=instrument,
            tempo=wanted.tempo,
            bars=wanted.bars,
            fingers=(wanted.finger,) if wanted.finger else (),
            pairs=(pair,) if pair else (),
            string=wanted.string,
            position=wanted.position,
            frame=wanted.frame,
            difficulty=wanted.difficulty,
            rests=wanted.rests,
            slurred=wanted.slurred,
            seed=wanted.seed,
            tune=wanted.tune,
        ),
    )
