"""What a demo player and a demo lesson are made of."""

from dataclasses import dataclass, field
from typing import Any


@dataclass(frozen=True)
class DemoLesson:
    weeks_ago: int
    look: dict[str, Any]
    complaint: str = ""
    reports: dict[str, Any] = field(default_factory=dict)
    shown: dict[str, bool] = field(default_factory=dict)
    days_at_home: int = 4
    line: str = ""
    dismissed: dict[str, str] = field(default_factory=dict)


@dataclass(frozen=True)
class DemoSetup:
    """The fit of the instrument from a day on; `facts` as `studio.lessons.setups` takes them."""

    weeks_ago: int
    facts: dict[str, Any]
    judged: str = ""


@dataclass(frozen=True)
class DemoPicture:
    """A drawn picture of the fourth finger, its fingertip joint bent by `tip` degrees."""

    weeks_ago: int
    tip: float
    tilt: float


@dataclass(frozen=True)
class DemoPlayer:
    """`day`: 0 has a lesson today, 1 tomorrow and so on."""

    name: str
    instrument: str
    level: str
    age: int
    day: int
    time: str
    piece: str
    lessons: tuple[DemoLesson, ...]
    helper_at_home: bool | None = None
    hours_a_day: float = 0.5
    daily_minutes: float | None = None
    way: dict[str, str] = field(default_factory=dict)
    in_group: bool = False
    self_check: bool = False
    setups: tuple[DemoSetup, ...] = ()
    pictures: tuple[DemoPicture, ...] = ()
