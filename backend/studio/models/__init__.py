"""Records of a studio. Thin: rules live in the core, writes in `services`.

Every record belongs to one teacher through its player, and only that teacher sees it.
"""

from studio.models.hands import BodyWord, HandPicture, KeptSound, Leave, RedFlag, Setup, Take
from studio.models.kept import StoredStanding, Summary
from studio.models.lessons import CauseWord, Focus, Lesson, LessonEntry, Observation
from studio.models.people import (
    HAND_TONES,
    INSTRUMENTS,
    LEVELS,
    Group,
    Holiday,
    LessonChange,
    OwnNote,
    PartnerLook,
    Player,
    TeacherSettings,
)
from studio.models.pieces import Piece
from studio.models.weeks import HomeDay, HomeLink, Plan, PlanItem, PracticeResult

__all__ = [
    "HAND_TONES",
    "INSTRUMENTS",
    "LEVELS",
    "BodyWord",
    "CauseWord",
    "Focus",
    "Group",
    "HandPicture",
    "Holiday",
    "HomeDay",
    "HomeLink",
    "KeptSound",
    "Leave",
    "Lesson",
    "LessonChange",
    "LessonEntry",
    "Observation",
    "OwnNote",
    "PartnerLook",
    "Piece",
    "Plan",
    "PlanItem",
    "Player",
    "PracticeResult",
    "RedFlag",
    "Setup",
    "StoredStanding",
    "Summary",
    "Take",
    "TeacherSettings",
]
