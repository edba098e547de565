"""Shapes of the week at home and of its private link."""

from datetime import date

from ninja import Field, Schema

from api.exercises.schemas import ExercisePage
from api.hands.schemas import TwoHandsOut
from lefthand.values.vocabulary import Done, Felt, HurtSaid, KeptInMind, Later, RedSign


class TempoDone(Schema):
    """Tempo work of a day: the highest loose beat, how often it was played, how often of that below
    the goal."""

    highest: int | None
    plays: int
    slow: int


class HomeDayOut(Schema):
    """`parts`: the exercises that were practised, where not all were. `hurt`: "open" where it hurt
    and no more was said, "nothing" where that was taken back by somebody."""

    date: date
    done: Done
    parts: list[str] | None
    felt: Felt
    pain: int
    place: str
    signs: list[RedSign]
    later: list[Later] | None
    tempos: dict[str, TempoDone]
    checks: dict[str, list[str]]
    one_thing: KeptInMind
    hurt: HurtSaid


class OneThingOut(Schema):
    """What the week is about, said to the player; why; and what is asked about after practice."""

    say: str
    why: str
    ask: str


class BriefOut(Schema):
    """An exercise in few words; `feel` and `stop` go on after "Feels like" and "Stop when"."""

    steps: list[str]
    feel: str
    stop: str


class MusicLineOut(Schema):
    """One line of music as SVG, in units of its viewBox; `beats`: quarters that it lasts, None
    where nobody counts them."""

    svg: str
    width: float
    height: float
    beats: int | None


class CueOut(Schema):
    """One thing the timer cues: do, let go, change or rest, for so many seconds."""

    kind: str
    seconds: float
    words: str


class CallsOut(Schema):
    """What a caller calls out, every `seconds`, in any order or in theirs."""

    words: list[str]
    seconds: float
    in_order: bool


class SelfCheckOut(Schema):
    """`picture`: the hand of each answer; None where nobody is asked to look now."""

    id: str
    ask: str
    right: str
    wrong: str
    picture: TwoHandsOut | None


class EasedOut(Schema):
    """What is left of a dose while one eases off."""

    dose: str
    minutes: float
    reps: int
    sets: int
    seconds: float
    cues: list[CueOut]


class HomeItemOut(ExercisePage):
    """One exercise at home. Times in seconds. `planned`: days as they were given, 1 is the day
    after the lesson. `is_apart`: loads the hand and rests a day in between. `eased`: the dose
    after pain, None for what rests then; `rests_with`: places with whose pain it rests whatever
    the dose; `shortened`: the dose while fingertip skin is sore. `tempo_steps`: of tempo work,
    beats a minute from the start to the goal; empty for none. `finger_words`: the finger that the
    dose is for. `lines`: its music."""

    brief: BriefOut
    finger_words: str
    lines: list[MusicLineOut]
    reps: int
    sets: int
    seconds: float
    pause: float
    rest: float
    is_hold: bool
    cues: list[CueOut]
    calls: CallsOut | None
    tempo_steps: list[int]
    planned: list[int]
    is_apart: bool
    eased: EasedOut | None
    rests_with: list[str]
    shortened: EasedOut


class ClimbedOut(Schema):
    """How far an exercise of the week has come: the step that is practised now, of how many."""

    name: str
    step: int
    of: int


class HomeTakeAskOut(Schema):
    """What the teacher asks the player to record. play: said to the player. music: SVG, as wide as
    a phone. tempo: quarters a minute. seconds: as printed. days: on which it was recorded."""

    play: str
    tempo: int
    seconds: float
    music: str
    days: list[date]


class HomeTakeIn(Schema):
    """A take from home, with the key under which it counts once."""

    client_key: str = Field(min_length=8, max_length=64)
    date: date


class HomeTakeSentOut(Schema):
    """words: why the take told nothing, where it did not."""

    usable: bool
    words: str


class HomeTakeOut(Schema):
    """A take of the week before, as its sentence tells it. label: of the check it was asked for."""

    date: date
    label: str
    words: str


class HomeOut(Schema):
    """`eased`: something hurt, or a stop was lifted; half doses hold. `given_eased`: they were
    halved when the week was given. `sore`: places that hurt since, by name; "skin" for fingertip
    skin, with which doses are shortened. `reader`: child, teen or adult. `better`: what is
    less trouble than before, said to the player. `whose`: the same for every link of one player,
    and tells nothing else."""

    whose: str
    first_name: str
    instrument: str
    given_on: date
    open_until: date
    today: date
    ear_line: str
    teacher_line: str
    reader: str
    one_thing: OneThingOut | None
    paused: bool
    eased: bool
    given_eased: bool
    sore: list[str]
    open_strings: list[int]
    items: list[HomeItemOut]
    days: list[HomeDayOut]
    self_check: list[SelfCheckOut]
    climbed: list[ClimbedOut]
    better: list[str]
    take: HomeTakeAskOut | None


class HomeDayIn(Schema):
    """`given_on`: the day of the lesson whose week was open when it was told. Words are read with
    the rest of the log, which names the field where one is not known."""

    given_on: date | None = None
    client_key: str = Field(default="", max_length=64)
    date: date
    done: str = Field(max_length=10)
    parts: list[str] | None = Field(default=None, max_length=10)
    felt: str = Field(default="", max_length=10)
    pain: int = 0
    place: str = Field(default="", max_length=12)
    signs: list[str] = Field(default=[], max_length=10)
    tempos: dict[str, TempoDone] = Field(default={}, max_length=6)
    checks: dict[str, list[str]] = Field(default={}, max_length=2)
    one_thing: str = Field(default="", max_length=10)
    hurt: str = Field(default="", max_length=10)


class LaterIn(Schema):
    """`times`: when pain of the day `date` was still there: next_day, rest, night."""

    client_key: str = Field(default="", max_length=64)
    date: date
    times: list[str] = Field(max_length=3)


class TakeBackIn(Schema):
    """`client_key`: of the log that stopped the week; `seconds` between the two taps."""

    client_key: str = Field(min_length=8, max_length=64)
    seconds: float


class LinkOut(Schema):
    """The private link as an address and as a square code (SVG); None when there is none.
    `is_local`: it works on this computer only."""

    address: str | None
    code: str | None
    is_local: bool


class HomeReportOut(Schema):
    """What came home from the week before: the planned days and those that were logged.
    `exercises`: names of those that a day speaks of, by id."""

    planned: list[date]
    days: list[HomeDayOut]
    self_check: list[SelfCheckOut]
    exercises: dict[str, str]
    takes: list[HomeTakeOut]


class PaperWeekOut(Schema):
    """A week of which no log came home. `practised`: the days that the player told; None while
    nobody asked."""

    days: list[date]
    planned: list[date]
    practised: list[date] | None
