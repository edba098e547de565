"""An exercise as it is read: on the sheet, on the phone and in a lesson."""

from ninja import Schema

from api.drills.schemas import DrillNoteOut, StopLookOut
from api.hands.schemas import TwoHandsOut


class NeckSpot(Schema):
    """Where on the neck: the string from 1, the highest, and the position of the hand."""

    string: int
    position: int


class PossibleSpotOut(NeckSpot):
    """One to which the music can be moved. `letter`: of the string. `says`: in words. `been`: in
    how many earlier weeks it was there."""

    letter: str
    says: str
    been: int


class ExercisePage(Schema):
    """What is said of one exercise of a week. Minutes of a day. `tempo`: notes a minute as the
    exercise counts; `beat`: quarters a minute of the music, `beats` of them in a bar. `music_title`
    and `music_credit`: of a tune, else empty. `looks`: at each stop of its music. `child`: how to
    say it to a child; empty for others. `picture`: two hands where they say more than words.
    `music`: an SVG picture."""

    exercise: str
    name: str
    rung_words: str
    dose: str
    minutes: float
    tempo: int | None
    why: str
    steps: list[str]
    child: str
    feel: str
    mirror: str
    mistake: str
    over: str
    stop: str
    helper_does: str
    picture: TwoHandsOut | None
    music: str | None
    music_title: str
    music_credit: str
    notes: list[DrillNoteOut]
    looks: list[StopLookOut]
    beat: int | None
    beats: int


class HowOut(ExercisePage):
    """The same with the places on the neck to which its music can be moved, the easiest first."""

    spots: list[PossibleSpotOut]
