"""Entries of a lesson: for each kind what `key` names and what `value` holds.

These shapes say what a client may send. What arrives is checked by `studio.entries`, whose
errors name the field in the words of the lesson; a `value` of null takes back.
"""

from datetime import date
from typing import Annotated, Any, Literal

from ninja import Field, Schema
from pydantic import GetJsonSchemaHandler, TypeAdapter
from pydantic_core import CoreSchema

from api.exercises.schemas import NeckSpot
from lefthand.case.case import Reports

Grade = Annotated[int, Field(ge=0, le=3)]


class MeasuredValue(Schema):
    """A number in the unit of the check's measure."""

    value: float
    spread: float | None = None
    source: Literal["typed", "timer", "take", "picture"] = "typed"
    grade: Grade | None = None


class ComparedGrades(Schema):
    """A trial: the same bar before and after, and what was changed."""

    before: Grade
    after: Grade
    changed: str = Field(default="", max_length=120)
    grade: Grade | None = None


class MeasuredPair(Schema):
    """A trial that measures: the number before one thing was changed and the one after it, in the
    unit of its pair."""

    measured_before: float
    measured_after: float
    changed: str = Field(default="", max_length=120)
    grade: Grade | None = None


Found = Grade | MeasuredValue | ComparedGrades | MeasuredPair


class CauseWord(Schema):
    """The teacher's word on a cause; null takes it back."""

    word: Literal["pinned", "dismissed", "open"]
    why: str = ""


class ShownResult(Schema):
    """How an exercise of last week went when it was shown. `pain`: 0..10."""

    passed: bool
    pain: float | None = None


class Wish(Schema):
    """One exercise of the week; what is left out follows from the rules. `spot`: null for where the
    step lies by itself."""

    exercise: str
    rung: int | None = None
    reps: int | None = None
    sets: int | None = None
    days: list[int] | None = None
    tempo: int | None = None
    goal: int | None = None
    spot: NeckSpot | None = None


class _Entry(Schema):
    client_key: str = Field(min_length=8, max_length=64)
    key: str = Field(default="", max_length=60)


class ObservationEntry(_Entry):
    """`key`: an evidence id, with "/4" for one finger."""

    kind: Literal["observation"]
    value: Found | dict[Literal["1", "2", "3", "4"], Found] | None = None


class ReportsEntry(_Entry):
    """What is told of the body; what is left out was not asked."""

    kind: Literal["reports"]
    value: Reports | None = None


class ComplaintEntry(_Entry):
    """`value`: the evidence that the complaint speaks of."""

    kind: Literal["complaint"]
    value: str | None = None


class ComplaintFingerEntry(_Entry):
    """`value`: the finger in which the complaint shows."""

    kind: Literal["complaint_finger"]
    value: Annotated[int, Field(ge=1, le=4)] | None = None


class AgainEntry(_Entry):
    """`key`: the place of a pain, "tired" or "complaint"; `value`: how what was told last time is
    now."""

    kind: Literal["again"]
    value: Literal["gone", "less", "same", "more"] | None = None


class SkipEntry(_Entry):
    """`key`: an evidence id."""

    kind: Literal["skip"]
    value: bool


class CauseEntry(_Entry):
    """`key`: a cause."""

    kind: Literal["cause"]
    value: CauseWord | None = None


class ResultEntry(_Entry):
    """`key`: the number of a plan item."""

    kind: Literal["result"]
    value: ShownResult | None = None


class OrderEntry(_Entry):
    """In which order checks are proposed."""

    kind: Literal["order"]
    value: str


class BreakEntry(_Entry):
    """`value`: weeks."""

    kind: Literal["break"]
    value: float | None = None


class PractisedEntry(_Entry):
    """`value`: days of the week before, as the player tells them."""

    kind: Literal["practised"]
    value: list[date] | None = None


class DislikedEntry(_Entry):
    """`key`: an exercise."""

    kind: Literal["disliked"]
    value: bool


class HarderEntry(_Entry):
    """Whether the music has become harder since the lesson before."""

    kind: Literal["harder"]
    value: bool


class FitEntry(_Entry):
    """`key`: the number of a record of the fit; `value`: what became of its change, empty to take
    the word back."""

    kind: Literal["fit"]
    value: Literal["", "helped", "same", "worse"]


class LineEntry(_Entry):
    """The teacher's own line on the sheet."""

    kind: Literal["line"]
    value: str


class OneThingEntry(_Entry):
    """`value`: the teacher's own words; "" for the catalogue's."""

    kind: Literal["one_thing"]
    value: str


class HomeTakeEntry(_Entry):
    """`value`: the check for which a drill is recorded at home; "" for none."""

    kind: Literal["home_take"]
    value: str


class FocusEntry(_Entry):
    """`value`: causes, the main one first."""

    kind: Literal["focus"]
    value: list[str] | None = None


class PlanEntry(_Entry):
    """The week that is given; null takes it back."""

    kind: Literal["plan"]
    value: list[Wish] | None = None


AnyEntry = Annotated[
    ObservationEntry
    | ReportsEntry
    | ComplaintEntry
    | ComplaintFingerEntry
    | AgainEntry
    | SkipEntry
    | CauseEntry
    | ResultEntry
    | OrderEntry
    | BreakEntry
    | PractisedEntry
    | DislikedEntry
    | HarderEntry
    | FitEntry
    | LineEntry
    | OneThingEntry
    | HomeTakeEntry
    | FocusEntry
    | PlanEntry,
    Field(discriminator="kind"),
]


class EntryIn(Schema):
    """One entry, as one of the shapes of this file."""

    client_key: str = Field(min_length=8, max_length=64)
    kind: str = Field(max_length=16)
    key: str = Field(default="", max_length=60)
    value: Any = None

    @classmethod
    def __get_pydantic_json_schema__(
        cls, core_schema: CoreSchema, handler: GetJsonSchemaHandler
    ) -> dict[str, Any]:
        """Told as the union of the kinds."""
        return handler(TypeAdapter(AnyEntry).core_schema)
