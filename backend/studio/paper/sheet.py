"""What stands on a practice sheet: the least that a player and a parent need."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import date

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import Exercise
from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.drawing.pairs import Pair, pair_of_exercise
from lefthand.music.engraving import engrave
from lefthand.music.musicxml import BARS_A_LINE, to_musicxml
from lefthand.music.score import Drill
from lefthand.practice.own_piece import in_own_piece
from lefthand.practice.planning import plan_item
from lefthand.practice.week import fullest_day
from lefthand.values.dose import Dose
from lefthand.values.vocabulary import Instrument, Level
from studio.models import Lesson, Plan, PlanItem
from studio.paper.place import PlaceOnPaper, place_on_paper
from studio.services.cases import LessonView
from studio.services.decisions import stale_focus, told_focus
from studio.services.findings import way_of_teaching
from studio.services.home_week import HomeWeek
from studio.services.known import known_items
from studio.services.lessons import practice_dates
from studio.services.records import as_stored, item_dose

WEEKDAYS = ("Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun")
INSTRUMENT_NAMES = {"vn": "violin", "va": "viola", "vc": "cello", "db": "double bass"}
MUSIC_WIDTH = 1900
PHONE_WIDTH = 900
LARGE_WIDTH = 1500
BARS_OF_WIDTH = {PHONE_WIDTH: 2, LARGE_WIDTH: 3}
CHILD_BELOW = 12
MOVES_IN = 3  # pictures from one hand to the other


@dataclass(frozen=True)
class SheetItem:
    """One exercise on the sheet.

    `steps`: with what the way of teaching adds. `child`: said to a child, empty for others.
    `picture`: two drawn hands, where they say more than words. `music` is an SVG picture, of the
    exercise's own or of `place` in the player's piece; `days` are weekday names.
    """

    exercise: Exercise
    steps: tuple[str, ...]
    child: str
    picture: Pair | None
    rung_words: str
    dose: str
    minutes: float
    tempo: int | None
    days: tuple[str, ...]
    why: str
    drill: Drill | None
    music: str | None
    place: PlaceOnPaper | None

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
    first_name: str
    date: date
    instrument: str
    focus: tuple[str, ...]
    teacher_line: str
    paused: bool
    reasons: tuple[str, ...]
    items: tuple[SheetItem, ...]
    minutes_a_day: float
    days: tuple[str, ...]
    takes: str
    eased: bool = False
    made_for: tuple[str, ...] = ()


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
    focus = _focus(view, plan)
    items = [] if paused or plan is None else known_items(plan)
    if week is not None and eased:
        items = [item for item in items if not week.rests(item)]
    doses = [week.dose(item) if week is not None else item_dose(item) for item in items]
    return Sheet(
        first_name=lesson.player.name.split()[0],
        date=lesson.date,
        instrument=INSTRUMENT_NAMES[lesson.player.instrument],
        focus=tuple(causes[cause].name for cause in focus),
        teacher_line=lesson.teacher_line,
        paused=paused,
        reasons=view.safety.reasons if paused else (),
        items=_said_once(
            _item(item, dose, view, seed)
            for seed, (item, dose) in enumerate(zip(items, doses, strict=True), start=1)
        ),
        minutes_a_day=fullest_day(
            (dose.minutes(len(item.fingers)), item.days)
            for item, dose in zip(items, doses, strict=True)
        ),
        takes=causes[focus[0]].takes if items and focus else "",
        eased=not paused and (eased or (plan is not None and plan.is_eased)),
        made_for=tuple(causes[c].name for c in stale_focus(view, plan) if c in causes)
        if plan
        else (),
        days=_weekdays(lesson, sorted({day for item in items for day in item.days})),
    )


def _focus(view: LessonView, plan: Plan | None) -> list[str]:
    """Without a week what is decided now."""
    if plan is None:
        return [focus.cause for focus in view.diagnosis.focus]
    return told_focus(view, plan)


def _weekdays(lesson: Lesson, days: list[int]) -> tuple[str, ...]:
    return tuple(WEEKDAYS[day.weekday()] for day in practice_dates(lesson, days))


def _item(item: PlanItem, dose: Dose, view: LessonView, seed: int) -> SheetItem:
    exercise = view.catalogue.exercises[item.exercise]
    lesson = view.lesson
    drill = item_drill(item, lesson, dose, seed)
    place = place_on_paper(item, MUSIC_WIDTH)
    return SheetItem(
        exercise=exercise,
        steps=(
            *exercise.steps_of(Instrument(lesson.player.instrument), in_piece=place is not None),
            *view.says.get(exercise.id, ()),
        ),
        child=exercise.child if _is_child(view) else "",
        picture=pair_of_exercise(
            exercise.id,
            Instrument(lesson.player.instrument),
            item.fingers[0] if item.fingers else None,
            frames=MOVES_IN,
            rung=item.rung,
        ),
        rung_words=exercise.words_of(item.rung, Instrument(lesson.player.instrument)),
        dose=dose.words(item.fingers),
        minutes=dose.minutes(len(item.fingers)),
        tempo=item.tempo,
        days=_weekdays(lesson, item.days),
        why=item.why,
        drill=drill,
        music=drill_picture(drill, seed) if drill else place.music if place else None,
        place=place,
    )


def shown_item(view: LessonView, exercise: Exercise, rung: int, place: int) -> SheetItem:
    """One exercise as it would stand on the sheet, given or not; `place`: in the week, from 1."""
    planned = plan_item(exercise, view.situation, view.load_limit, rung)
    chosen = view.own_place
    planned = in_own_piece(planned, exercise, chosen.place if chosen else None)
    stored = {**as_stored(planned), **(chosen.stored(planned) if chosen else {})}
    return _item(PlanItem(**stored), planned.dose, view, place)


def _said_once(items: Iterable[SheetItem]) -> tuple[SheetItem, ...]:
    """The items with a reason that they share said at the first of them only."""
    told: set[str] = set()
    found = []
    for item in items:
        does = f"this {item.exercise.does}."
        reason = item.why.removesuffix(does)
        is_told = reason != item.why and reason in told
        found.append(replace(item, why=does[0].upper() + does[1:]) if is_told else item)
        told.add(reason)
    return tuple(found)


def _is_child(view: LessonView) -> bool:
    return view.case.age is not None and view.case.age < CHILD_BELOW


def drill_picture(drill: Drill, seed: int, width: int = MUSIC_WIDTH) -> str:
    """The music as SVG; a smaller `width` makes larger notes and more lines."""
    bars = BARS_OF_WIDTH.get(width, BARS_A_LINE)
    return engrave(to_musicxml(drill, bars_a_line=bars), seed=seed, width=width)


def item_drill(item: PlanItem, lesson: Lesson, dose: Dose, seed: int) -> Drill | None:
    """The music of an item, as long as its dose: the same on paper, on the phone and for listening,
    and another tune or order of notes in another lesson."""
    whose = ForWhom(
        fingers=tuple(item.fingers),
        ways=way_of_teaching(lesson.player),
        level=Level(lesson.player.level),
        dose=dose,
        seed=lesson.pk + seed,
    )
    exercise = load_catalogue().exercises[item.exercise]
    return drill_of(exercise, item.rung, Instrument(lesson.player.instrument), whose)
