"""The week at home as it leaves the API: the least that is needed to practise."""

from collections.abc import Iterator, Sequence

from django.utils.crypto import salted_hmac

from api.exercises.present import exercise_page
from api.hands.present import two_hands_out
from api.home.schemas import (
    BriefOut,
    CallsOut,
    ClimbedOut,
    CueOut,
    EasedOut,
    HomeDayOut,
    HomeItemOut,
    HomeOut,
    HomeReportOut,
    HomeTakeAskOut,
    HomeTakeOut,
    MusicLineOut,
    OneThingOut,
    PaperWeekOut,
    SelfCheckOut,
)
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import Called
from lefthand.drawing.pairs import pair_of_check
from lefthand.drawing.posture import thumb_of
from lefthand.music.engraving import size_of
from lefthand.music.on_paper import phone_lines
from lefthand.music.strings import FINGERBOARDS
from lefthand.practice.cues import cues_of, each_words
from lefthand.practice.tempo import steps_between
from lefthand.values.dose import Dose
from lefthand.values.fingers import aimed_fingers, fingers_of_hand
from lefthand.values.vocabulary import Done, Felt, HurtSaid, Instrument, KeptInMind, Later, RedSign
from lefthand.words import told
from studio.home.home_takes import asked_at_home, home_takes_of
from studio.home.told_day import self_checks_of
from studio.home.week_at_home import HomeWeek, days_between, planned_dates
from studio.memory.findings import way_of_teaching
from studio.memory.records import item_dose
from studio.models import HomeDay, Lesson, PlanItem
from studio.progress.term import better_words
from studio.sheet.one_thing import reader_at
from studio.sheet.sheet import PHONE_WIDTH, Sheet, build_sheet, drill_picture
from studio.sheet.sheet import SheetItem as PaperItem
from studio.takes.takes import SLOW, drill_to_play


def home_out(week: HomeWeek) -> HomeOut:
    """A week as the phone shows it, with nothing a family need not see."""
    lesson = week.lesson
    instrument = Instrument(lesson.player.instrument)
    exercises = load_catalogue().exercises
    # A stop or another plan may have come since the week was read: the sheet, read last, decides.
    sheet = build_sheet(lesson) if week.reasons is None else None
    paper = {item.exercise.id: item for item in sheet.items} if sheet else {}
    return HomeOut(
        whose=salted_hmac("jolf.home.whose", str(lesson.player_id)).hexdigest()[:24],
        first_name=lesson.player.name.split()[0],
        instrument=instrument.words,
        given_on=lesson.date,
        open_until=week.open_until,
        today=week.today,
        ear_line=sheet.ear_line if sheet else "",
        teacher_line=lesson.teacher_line,
        reader=reader_at(lesson).value,
        one_thing=_one_thing_out(sheet),
        paused=sheet is None or sheet.paused,
        eased=week.is_eased,
        given_eased=week.was_given_eased,
        sore=[place.value for place in week.hurting],
        open_strings=[pitch.midi for pitch in FINGERBOARDS[instrument].strings],
        items=[
            _item_out(item, paper[exercises[item.exercise].id], week)
            for item in week.given
            if exercises[item.exercise].id in paper
        ],
        days=[day_out(log) for log in week.logs],
        self_check=_self_check_out(lesson, are_shown=True),
        climbed=_climbed_out(week),
        better=better_words(lesson.player, week.today),
        take=_take_out(week),
    )


def _take_out(week: HomeWeek) -> HomeTakeAskOut | None:
    asked = asked_at_home(week)
    if asked is None:
        return None
    drill = drill_to_play(week.lesson, asked, SLOW)
    beats = sum(event.length for _, event in drill.events())
    return HomeTakeAskOut(
        play=asked.play,
        tempo=drill.tempo,
        seconds=round(float(beats) * 60 / drill.tempo, 1),
        music=drill_picture(drill, len(week.given) + 1, PHONE_WIDTH),
        days=sorted({take.home_on for take in home_takes_of(week.lesson) if take.home_on}),
    )


def _climbed_out(week: HomeWeek) -> list[ClimbedOut]:
    exercises = load_catalogue().exercises
    return [
        ClimbedOut(name=known.name, step=item.rung, of=len(known.rungs))
        for item in week.given
        if len((known := exercises[item.exercise]).rungs) > 1
    ]


def _one_thing_out(sheet: Sheet | None) -> OneThingOut | None:
    if sheet is None or sheet.paused or not sheet.items:
        return None
    return OneThingOut(say=sheet.one.say, why=sheet.one.why, ask=sheet.one.ask)


def _item_out(item: PlanItem, paper: PaperItem, week: HomeWeek) -> HomeItemOut:
    dose = item_dose(item)
    return HomeItemOut(
        **exercise_page(paper, None).dict(),
        brief=BriefOut(steps=list(paper.short_steps), feel=paper.brief.feel, stop=paper.brief.stop),
        finger_words=", ".join(w for w in (paper.finger_words, paper.spot_words) if w),
        lines=list(_lines_out(paper)),
        reps=item.reps,
        sets=item.sets,
        seconds=item.seconds,
        pause=dose.pause,
        rest=dose.rest,
        is_hold=dose.is_hold,
        cues=_cues_out(item, dose, week),
        calls=_calls_out(item, week),
        tempo_steps=steps_between(item.tempo, item.goal),
        planned=item.days,
        is_apart=item.exercise in week.apart,
        eased=_eased_out(item, eased, week) if (eased := week.eased(item)) else None,
        rests_with=[place.value for place in week.rests_with(item)],
        shortened=_eased_out(item, week.shortened(item), week),
    )


def _lines_out(paper: PaperItem) -> Iterator[MusicLineOut]:
    """The music a line at a time, so that a phone can turn its pages."""
    if paper.drill is not None:
        beats = paper.drill.beats
        for line in phone_lines(paper.drill, seed=paper.seed, strings_named=False):
            yield MusicLineOut(
                svg=line.svg, width=line.width, height=line.height, beats=line.bars * beats
            )
    elif paper.place is not None:
        for svg in paper.place.lines():
            width, height = size_of(svg)
            yield MusicLineOut(svg=svg, width=width, height=height, beats=None)


def _eased_out(item: PlanItem, dose: Dose, week: HomeWeek) -> EasedOut:
    return EasedOut(
        dose=dose.words(item.fingers),
        minutes=dose.minutes(len(item.fingers)),
        reps=dose.reps,
        sets=dose.sets,
        seconds=dose.seconds,
        cues=_cues_out(item, dose, week),
    )


def _hand(week: HomeWeek) -> tuple[Instrument, tuple[int, ...]]:
    """The instrument and the fingers of the hand that plays it."""
    player = week.lesson.player
    instrument = Instrument(player.instrument)
    return instrument, fingers_of_hand(instrument, way_of_teaching(player))


def _cues_out(item: PlanItem, dose: Dose, week: HomeWeek) -> list[CueOut]:
    instrument, hand = _hand(week)
    strings = [pitch.letter for pitch in FINGERBOARDS[instrument].strings]
    each = each_words(dose, item.fingers, hand, strings)
    turns = load_catalogue().exercises[item.exercise].rung(item.rung).turns
    cues = cues_of(dose, each, turns)
    return [CueOut(kind=c.kind, seconds=c.seconds, words=c.words) for c in cues]


def _calls_out(item: PlanItem, week: HomeWeek) -> CallsOut | None:
    calls = load_catalogue().exercises[item.exercise].rung(item.rung).calls
    if calls is None:
        return None
    instrument, hand = _hand(week)
    words = {
        Called.STRINGS: [
            told("call-string", string=p.letter) for p in FINGERBOARDS[instrument].strings
        ],
        Called.FINGERS: [told("call-finger", finger=f) for f in aimed_fingers(hand, item.fingers)],
        Called.LET_GO: [told("call-let-go")],
    }
    return CallsOut(words=words[calls.what], seconds=calls.seconds, in_order=calls.in_order)


def _self_check_out(lesson: Lesson, *, are_shown: bool) -> list[SelfCheckOut]:
    instrument = Instrument(lesson.player.instrument)
    thumb = thumb_of(instrument, way_of_teaching(lesson.player))
    return [
        SelfCheckOut(
            id=check.id,
            ask=check.ask,
            right=check.right,
            wrong=check.wrong,
            picture=two_hands_out(pair_of_check(check.shows, instrument, thumb=thumb))
            if are_shown
            else None,
        )
        for check in self_checks_of(lesson)
    ]


def day_out(log: HomeDay) -> HomeDayOut:
    """One day that was told."""
    return HomeDayOut(
        date=log.date,
        done=Done(log.done),
        parts=log.parts,
        felt=Felt(log.felt),
        pain=log.pain,
        place=log.place,
        signs=[RedSign(sign) for sign in log.signs],
        later=None if log.later is None else [Later(time) for time in log.later],
        tempos=log.tempos,
        checks=log.checks,
        one_thing=KeptInMind(log.one_thing),
        hurt=HurtSaid(log.hurt),
    )


def report_out(before: Lesson | None, items: Sequence[PlanItem]) -> HomeReportOut | None:
    """What came home from the week before, which held these items; None when nothing did."""
    days = list(before.home_days.all()) if before else []
    takes = home_takes_of(before) if before and before.home_take else []
    if before is None or not (days or takes):
        return None
    exercises = load_catalogue().exercises
    worked = {name for day in days for name in [*day.tempos, *(day.parts or [])]}
    return HomeReportOut(
        planned=planned_dates(before, items),
        days=[day_out(day) for day in days],
        self_check=_self_check_out(before, are_shown=False),
        exercises={name: exercises[name].name for name in worked if name in exercises},
        takes=[
            HomeTakeOut(
                date=take.home_on or before.date,
                label=load_catalogue().evidence[take.evidence].label,
                words=take.words,
            )
            for take in takes
        ],
    )


def paper_week_out(
    lesson: Lesson, before: Lesson | None, items: Sequence[PlanItem]
) -> PaperWeekOut | None:
    """The days to ask for where a week was given and no log came home."""
    if before is None or before.home_days.all():
        return None
    days = days_between(before, lesson)
    if not days:
        return None
    planned = set(planned_dates(before, items))
    return PaperWeekOut(
        days=days, planned=[day for day in days if day in planned], practised=lesson.practised
    )
