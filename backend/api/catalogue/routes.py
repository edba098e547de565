"""The knowledge base as the front end shows it."""

from functools import lru_cache

from django.http import HttpRequest
from ninja import Router

from api.catalogue.help import help_pages
from api.catalogue.schemas import (
    CatalogueOut,
    CauseInfo,
    ComplaintInfo,
    EvidenceInfo,
    ExerciseInfo,
    PairInfo,
    RungInfo,
    SchoolInfo,
    WayInfo,
)
from lefthand.case.way_changes import way_changes
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.evidence import ToPair
from lefthand.catalogue.exercises import Exercise
from lefthand.catalogue.ways import Way
from lefthand.drawing.pairs import has_picture
from lefthand.values.measures import MEASURES
from lefthand.values.said import thing
from lefthand.words import value_words, words_of
from studio.players.players import equipment

router = Router(tags=["catalogue"])


@router.get("", response=CatalogueOut)
def read_catalogue(request: HttpRequest) -> CatalogueOut:
    """Everything that is known, the same for all teachers."""
    return _catalogue()


@lru_cache(maxsize=1)
def _catalogue() -> CatalogueOut:
    known = load_catalogue()
    return CatalogueOut(
        called={name: list(phrases) for name, phrases in known.called.items()},
        synonyms={word: list(others) for word, others in known.synonyms.items()},
        complaints=[
            ComplaintInfo(says=c.says, evidence=c.evidence, common=c.common, hurts=c.hurts)
            for c in known.complaints.values()
        ],
        help=help_pages(),
        ways=[_way(way) for way in known.ways.values()],
        causes=[
            CauseInfo(
                id=c.id,
                order=c.order,
                name=c.name,
                meaning=c.meaning,
                instruments=sorted(c.instruments),
                places=list(c.places),
            )
            for c in known.causes.values()
        ],
        evidence=[
            EvidenceInfo(
                id=e.id,
                stage=e.stage.value,
                seconds=e.seconds,
                per_finger=e.per_finger,
                of_finger=e.of_finger,
                instruments=sorted(e.instruments),
                pictured=[i for i in sorted(e.instruments) if has_picture(e.id, i)],
                measure=e.measure,
                pair=_pair(e.pair) if e.pair else None,
                photo=e.photo,
                by_ear=e.id in known.takes,
                unit=MEASURES[e.measure].unit if e.measure else None,
                causes=sorted(e.causes, key=e.causes.__getitem__, reverse=True),
                place=e.place,
                label=e.label,
                look=e.look,
                note=e.note,
                free=e.free,
                means=list(e.means),
                child=e.child,
            )
            for e in known.evidence.values()
        ],
        exercises=[_exercise(e) for e in known.exercises.values()],
        things={name: value_words(thing(name)) for name in equipment()},
    )


def _pair(pair: ToPair) -> PairInfo:
    unit = MEASURES[pair.measure].unit
    return PairInfo(unit=unit, before=pair.before, after=pair.after, finger=pair.finger)


def _exercise(exercise: Exercise) -> ExerciseInfo:
    return ExerciseInfo(
        id=exercise.id,
        kind=exercise.kind.value,
        instruments=sorted(exercise.instruments),
        aims=list(exercise.aims),
        needs=list(exercise.needs),
        equipment=list(exercise.equipment),
        name=exercise.name,
        does=exercise.does,
        steps=list(exercise.steps),
        child=exercise.child,
        feel=exercise.feel,
        mirror=exercise.mirror,
        mistake=exercise.mistake,
        over=exercise.over,
        added=exercise.added,
        stop=exercise.stop,
        helper_does=exercise.helper_does,
        passed_when=exercise.passed_when,
        has_music=exercise.has_music,
        rungs=[
            RungInfo(
                words=r.words, setting=r.setting.value, dose=r.dose.words(), tempo=r.dose.tempo
            )
            for r in exercise.rungs
        ],
    )


def _way(way: Way) -> WayInfo:
    return WayInfo(
        id=way.key,
        label=way.label,
        instruments=sorted(way.instruments),
        place=_place_of(way),
        schools=[
            SchoolInfo(
                id=value,
                words=way.words[value],
                says=way.schools[value],
                changes=[words_of(each) for each in way_changes(way, value)],
            )
            for value in way.values
        ],
    )


def _place_of(way: Way) -> str:
    """Where on the hand the first sign lies that this way speaks of."""
    evidence = load_catalogue().evidence
    told = [
        name for by_value in (way.accepts, way.says) for each in by_value.values() for name in each
    ]
    places = (evidence[name].place for name in told if name in evidence)
    return next((place for place in places if place != "none"), "")
