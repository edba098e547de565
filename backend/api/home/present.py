"""The week at home as it leaves the API: the least that is needed to practise."""

from api.exercises.present import exercise_page
from api.home.schemas import EasedOut, HomeDayOut, HomeItemOut, HomeOut, HomeReportOut
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.strings import FINGERBOARDS
from lefthand.values.vocabulary import Instrument
from studio.models import HomeDay, Lesson, PlanItem
from studio.paper.sheet import INSTRUMENT_NAMES, PHONE_WIDTH, build_sheet, drill_picture
from studio.paper.sheet import SheetItem as PaperItem
from studio.services.home import HomeWeek, last_home_days, planned_dates
from studio.services.records import item_dose


def home_out(week: HomeWeek) -> HomeOut:
    lesson = week.lesson
    instrument = Instrument(lesson.player.instrument)
    exercises = load_catalogue().exercises
    paper = {} if week.reasons else {i.exercise.id: i for i in build_sheet(lesson).items}
    return HomeOut(
        first_name=lesson.player.name.split()[0],
        instrument=INSTRUMENT_NAMES[instrument.value],
        given_on=lesson.date,
        open_until=week.open_until,
        today=week.today,
        teacher_line=lesson.teacher_line,
        paused=week.reasons is not None,
        eased=week.is_eased,
        open_strings=[pitch.midi for pitch in FINGERBOARDS[instrument].strings],
        items=[
            _item_out(item, paper[exercises[item.exercise].id], week, seed)
            for seed, item in enumerate(week.given, start=1)
            if week.reasons is None
        ],
        days=[day_out(log) for log in week.logs],
    )


def _item_out(item: PlanItem, paper: PaperItem, week: HomeWeek, seed: int) -> HomeItemOut:
    dose = item_dose(item)
    music = drill_picture(paper.drill, seed, PHONE_WIDTH) if paper.drill else None
    return HomeItemOut(
        **exercise_page(paper, music).dict(),
        reps=item.reps,
        sets=item.sets,
        seconds=item.seconds,
        pause=dose.pause,
        rest=dose.rest,
        is_hold=dose.is_hold,
        planned=item.days,
        is_apart=item.exercise in week.apart,
        eased=_eased_out(item, week),
    )


def _eased_out(item: PlanItem, week: HomeWeek) -> EasedOut | None:
    dose = week.eased(item)
    if dose is None:
        return None
    return EasedOut(
        dose=dose.words(item.fingers),
        minutes=dose.minutes(len(item.fingers)),
        reps=dose.reps,
        sets=dose.sets,
        seconds=dose.seconds,
    )


def day_out(log: HomeDay) -> HomeDayOut:
    return HomeDayOut(
        date=log.date,
        done=log.done,
        felt=log.felt,
        pain=log.pain,
        signs=list(log.signs),
        later=log.later,
    )


def report_out(lesson: Lesson) -> HomeReportOut | None:
    found = last_home_days(lesson)
    if found is None:
        return None
    before, days = found
    return HomeReportOut(planned=planned_dates(before), days=[day_out(day) for day in days])
