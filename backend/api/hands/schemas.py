"""The drawn hand."""

from typing import Literal

from ninja import Field, Schema

from lefthand.values.vocabulary import Instrument

# Where it stands by a way of teaching; "" for the usual place.
Thumb = Literal["", "between", "second", "low"]


class HandIn(Schema):
    """`signs`: what was seen, such as `tip.gives:2:4,wrist.caved:1`: evidence, grade and, where it
    was seen on one, the finger. `playing`: the finger that is not idle."""

    instrument: Instrument
    signs: str = Field("", max_length=8000)
    view: Literal["main", "along"] = "main"
    playing: int | None = Field(None, ge=1, le=4)
    thumb: Thumb = ""


class PathOut(Schema):
    """`kind` says how it is painted: skin, line, crease, nail, nail-pale, hidden, strain, neck,
    board, board-top, string, head, body."""

    kind: str
    d: str
    width: float | None


class PlaceOut(Schema):
    """`x`, `y`: where it is touched; `place_x`, `place_y`: what is meant."""

    place: str
    finger: int | None
    x: float
    y: float
    place_x: float
    place_y: float


class FrameOut(Schema):
    """One drawn hand. `width`, `height`: of its view box."""

    width: float
    height: float
    paths: list[PathOut]


class TwoHandsOut(Schema):
    """Two hands, or a movement from one to the other. `words`: what is said under each; `frames`:
    from the first to the second; `moves`: there and back, and not right beside wrong."""

    words: list[str]
    frames: list[FrameOut]
    moves: bool


class TwoHandsIn(Schema):
    """`frames`: 2 for the two hands alone, more for what lies between."""

    instrument: Instrument
    finger: int | None = Field(None, ge=1, le=4)
    frames: int = Field(2, ge=2, le=7)
    thumb: Thumb = ""


class CheckPairIn(TwoHandsIn):
    """A check whose hands are drawn."""

    evidence: str = Field(max_length=40)


class ExercisePairIn(TwoHandsIn):
    """An exercise whose hands are drawn."""

    exercise: str = Field(max_length=40)


class HandOut(Schema):
    """A picture `width` by `height`, its paths from far to near."""

    width: float
    height: float
    paths: list[PathOut]
    places: list[PlaceOut]


class PointsIn(Schema):
    """Points set on a picture, pixels from its upper left corner: `4.tip: [x, y]`. The picture
    itself is not sent."""

    instrument: Instrument
    width: int = Field(ge=1, le=100_000)
    height: int = Field(ge=1, le=100_000)
    points: dict[str, list[float]] = Field(max_length=30)


class AngleOut(Schema):
    """`of`: a finger, two fingers as `1-2`, or `hand`. Degrees, the elbow's in hand-widths.
    `uncertainty`: what one pixel makes; `may_be_off`: degrees by which it may be wrong because a
    bone points to the camera."""

    measure: str
    of: str
    value: float
    uncertainty: float
    may_be_off: float


class SpanIn(PointsIn):
    """`points`: string.nut, string.bridge, span.a and span.b. `string_length`: mm."""

    string_length: float = Field(ge=100, le=1500)


class SpanOut(Schema):
    """mm; `uncertainty`: what one pixel makes."""

    value: float
    uncertainty: float


class FingerPointsIn(PointsIn):
    """Points of one finger on a picture, in its pixels."""

    finger: int = Field(ge=1, le=4)


class AlikeIn(Schema):
    """`moved` is laid so that its hand lies where that of `still` does."""

    moved: PointsIn
    still: PointsIn


class LaidOut(Schema):
    """`matrix`: a to f as SVG and CSS write them. `mirrored`: the hand was seen from its other
    side."""

    matrix: list[float]
    mirrored: bool


class MovedIn(Schema):
    """Points on two pictures of one hand, the earlier one first."""

    before: PointsIn
    after: PointsIn


class MovedOut(Schema):
    """`says`: what changed, in sentences. `matrix`: how the second lies as the first; null for
    fewer than two points that both have."""

    is_moved: bool
    says: list[str]
    matrix: list[float] | None


class OverOut(Schema):
    """Lines of the drawn hand, and how they are laid over the picture."""

    paths: list[PathOut]
    matrix: list[float]


class DrawnPictureOut(Schema):
    """A drawn hand to try the measuring on. `image`: JPEG, base64. `truth`: degrees it was drawn
    with, by measure."""

    image: str
    truth: dict[str, float]
