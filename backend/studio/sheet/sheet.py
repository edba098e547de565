"""What stands on a practice sheet: the least that a player and a parent need."""

from dataclasses import dataclass, replace
from datetime import date
from functools import cached_property

from lefthand.catalogue.briefs import Brief
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import Exercise
from lefthand.catalogue.one_things import FINGERS, OneThing, Reader
from lefthand.composing.for_exercise import drill_of
from lefthand.composing.on_neck import Spot, words_of_spot
from lefthand.drawing.pairs import Pair, pair_of_exercise
from lefthand.drawing.posture import thumb_of
from lefthand.music.engraving import engrave
from lefthand.music.musicxml import BARS_A_LINE, DRAWN, to_musicxml
from lefthand.music.score import Drill
from lefthand.practice.own_piece import in_own_piece
from lefthand.practice.planning import is_carried, plan_item
from lefthand.practice.week import fullest_day
from lefthand.values.dose import Dose
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Instrument
from lefthand.words import words_of
from studio.home.week_at_home import HomeWeek
from studio.lessons.cases import LessonView
from studio.lessons.decisions import stale_focus
from studio.memory.findings import findings_of
from studio.memory.known import known_items
from studio.memory.records import as_stored, item_dose
from studio.memory.spots import as_kept, music_for, spot_in_force
from studio.models import Lesson, Plan, PlanItem
from studio.pieces.place import PlaceOnPaper, place_on_paper
from studio.sheet.days import SheetDay, sheet_days
from studio.sheet.one_thing import one_thing_of, reader_at

MUSIC_WIDTH = 1900
PHONE_WIDTH = 900
BARS_OF_WIDTH = {PHONE_WIDTH: 2}
FLAT, CLEAR = "fourth.low", 2
MOVES_IN = 3  # pictures from one hand to the other


@dataclass(frozen=True)
class SheetItem:
    """One exercise on the sheet.

    `steps`: the whole of it, with what the way of teaching adds; `brief`: what stands on paper.
    `child`: said to a child, empty for others. `picture`: two drawn hands, where they say more
    than words. `given_dose`: in words, before it was eased; the same as `dose` where it was not.
    `place`: in the player's own piece. `spot`: where on the neck. `is_carried`: a helper holds the
    instrument meanwhile, and paper and phone say so first.
    """

    exercise: Exercise
    instrument: Instrument
    rung: int
    fingers: tuple[int, ...]
    steps: tuple[str, ...]
    child: str
    picture: Pair | None
    dose: Dose
    given_dose: Dose
    tempo: int | None
    days: tuple[int, ...]
    why: str
    drill: Drill | None
    place: PlaceOnPaper | None
    spot: Spot | None
    seed: int
    is_carried: bool

    @property
    def brief(self) -> Brief:
        return load_catalogue().briefs[self.exercise.id]

    @property
    def short_steps(self) -> tuple[str, ...]:
        steps = self.brief.steps_of(self.rung, self.instrument)
        return (words_of(_carrying(self.instrument)), *steps) if self.is_carried else steps

    @property
    def rung_words(self) -> str:
        return self.exercise.words_of(self.rung, self.instrument)

    @property
    def finger_words(self) -> str:
        """The finger that the dose is for: "little finger"; empty where it is for all."""
        return " and ".join(FINGERS[finger] for finger in self.fingers) if self.dose.per else ""

    @property
    def spot_words(self) -> str:
        """Where on the neck the teacher put it; empty for what the step says."""
        return words_of(words_of_spot(self.spot, self.instrument)) if self.spot else ""

    @property
    def minutes(self) -> float:
        return self.dose.minutes(len(self.fingers))

    @cached_property
    def music(self) -> str | None:
        """SVG of the exercise's own music, or of the place in the piece."""
        if self.drill is not None:
            return drill_picture(self.drill, self.seed)
        return self.place.drawn(MUSIC_WIDTH) if self.place else None

    @property
    def music_title(self) -> str:
        """Of a tune or of the player's own piece, else empty."""
        if self.drill is None:
            return self.place.title if self.place else ""
        return self.drill.title if self.drill.credit else ""

    @property
    def music_credit(self) -> str:
        if self.drill is None:
            return self.place.goal if self.place else ""
        return self.drill.credit


@dataclass(frozen=True)
class Sheet:
    """`one`: the week's one thing. `ear_line`: to a player whose flat finger has just come right,
    else empty. `eased`: less of it than was given, or given as half."""

    first_name: str
    date: date
    instrument: Instrument
    reader: Reader
    one: OneThing
    ear_line: str
    teacher_line: str
    paused: bool
    reasons: tuple[str, ...]
    items: tuple[SheetItem, ...]
    minutes_a_day: float
    days: tuple[SheetDay, ...]
    eased: bool = False
    made_for: tuple[str, ...] = ()

    @property
    def watched(self) -> int:
        """The exercise that a helper watches, by its place from 1: the first that is made for the
        focus, no general one; 0 for none."""
        made_for = (n for n, each in enumerate(self.items, start=1) if not each.exercise.general)
        return next(made_for, min(1, len(self.items)))


def build_sheet(lesson: Lesson, today: date | None = None) -> Sheet:
    """The sheet of a lesson's plan; without items while a red flag is up.

    `today`: the day on which it is printed. After pain at home or a lifted stop it is eased off as
    the phone's week is; without it the sheet is as it was given.
    """
    view = LessonView(lesson)
    causes = view.catalogue.causes
    plan = Plan.objects.filter(lesson=lesson).prefetch_related("items").first()
    paused = view.safety.is_red
    week = HomeWeek(lesson, today) if today is not None else None
    eased = week is not None and week.is_eased and not paused
    items = [] if paused or plan is None else known_items(plan)
    if week is not None and eased:
        items = [item for item in items if not week.rests(item)]
    doses = [week.dose(item) if week is not None else item_dose(item) for item in items]
    return Sheet(
        first_name=lesson.player.name.split()[0],
        date=lesson.date,
        instrument=Instrument(lesson.player.instrument),
        reader=reader_at(lesson),
        one=one_thing_of(view, plan),
        ear_line=_ear_line(view),
        teacher_line=lesson.teacher_line,
        paused=paused,
        reasons=tuple(map(words_of, view.safety.reasons)) if paused else (),
        items=tuple(
            _item(item, dose, view, seed)
            for seed, (item, dose) in enumerate(zip(items, doses, strict=True), start=1)
        ),
        minutes_a_day=fullest_day(
            (dose.minutes(len(item.fingers)), item.days)
            for item, dose in zip(items, doses, strict=True)
        ),
        eased=not paused and (eased or (plan is not None and plan.is_eased)),
        made_for=tuple(causes[c].name for c in stale_focus(view, plan) if c in causes)
        if plan
        else (),
        days=sheet_days(lesson, [item.days for item in items]),
    )


def _item(item: PlanItem, dose: Dose, view: LessonView, seed: int) -> SheetItem:
    exercise = view.catalogue.exercises[item.exercise]
    lesson = view.lesson
    instrument = Instrument(lesson.player.instrument)
    place = place_on_paper(item)
    return SheetItem(
        exercise=exercise,
        instrument=instrument,
        rung=item.rung,
        fingers=tuple(item.fingers),
        steps=(
            *exercise.steps_of(instrument, in_piece=place is not None),
            *view.says.get(exercise.id, ()),
        ),
        child=exercise.child if reader_at(lesson) is Reader.CHILD else "",
        picture=pair_of_exercise(
            exercise.id,
            instrument,
            item.fingers[0] if item.fingers else None,
            frames=MOVES_IN,
            rung=item.rung,
            thumb=thumb_of(instrument, view.case.way_of_teaching),
        ),
        dose=dose,
        given_dose=item_dose(item),
        tempo=item.tempo,
        days=tuple(item.days),
        why=item.why,
        drill=item_drill(item, lesson, dose, seed),
        place=place,
        spot=spot_in_force(item, lesson, exercise),
        seed=seed,
        is_carried=is_carried(exercise, view.situation),
    )


def _ear_line(view: LessonView) -> str:
    """What is right sounds too high where it was flat at the last look and is not today."""
    now, last = view.case.findings.get(FLAT), view.past.last_looked
    before = findings_of(last).get(FLAT) if last else None
    if now is None or before is None or now.grade > 0 or before.grade < CLEAR:
        return ""
    is_child = reader_at(view.lesson) is Reader.CHILD
    return words_of(said("ear-child" if is_child else "ear-others"))


def _carrying(instrument: Instrument) -> Said:
    return said("carried-scroll" if instrument.is_held_up else "carried-body")


def shown_item(
    view: LessonView, exercise: Exercise, rung: int, place: int, spot: Spot | None
) -> SheetItem:
    """One exercise as it would stand on the sheet, given or not; `place`: in the week, from 1,
    `spot`: on the neck."""
    planned = plan_item(exercise, view.situation, view.load_limit, rung)
    chosen = view.own_place
    planned = in_own_piece(planned, exercise, chosen.place if chosen else None)
    stored = {**as_stored(planned), **(chosen.stored(planned) if chosen else {})}
    where = as_kept(spot) if spot else None
    return _item(PlanItem(**stored, spot=where), planned.dose, view, place)


def drill_picture(drill: Drill, seed: int, width: int = MUSIC_WIDTH) -> str:
    """The music as SVG; a smaller `width` makes larger notes and more lines."""
    bars = BARS_OF_WIDTH.get(width, BARS_A_LINE)
    return engrave(to_musicxml(drill, bars_a_line=bars, shown=DRAWN), seed=seed, width=width)


def item_drill(item: PlanItem, lesson: Lesson, dose: Dose, seed: int) -> Drill | None:
    """The music of an item, as long as its dose: the same on paper, on the phone and for listening,
    and another tune or order of notes in another lesson."""
    exercise = load_catalogue().exercises[item.exercise]
    spot = spot_in_force(item, lesson, exercise)
    whose = replace(
        music_for(lesson, item.fingers),
        dose=dose,
        seed=lesson.pk + seed,
        string=spot.string if spot else None,
        position=spot.position if spot else None,
    )
    return drill_of(exercise, item.rung, Instrument(lesson.player.instrument), whose)
