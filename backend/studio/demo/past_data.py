"""How the demo players came to where they are: the weeks before the lessons that are written out.

Signs are told as how strong they truly were, one after another, oldest first, as far as a year
back: "3x4 2 0x5" is strong for four weeks, clear for one, then gone for five. What was graded
wavers around that. Nobody here exists.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field

TERM_WEEKS = 14
MOST_WEEKS = 40


@dataclass(frozen=True)
class DemoPast:
    """signs: by evidence, or evidence and finger ("tip.gives/4"), a course of levels. measured: by
    evidence that was measured, what it came to at each level. away, harder, pains: by weeks ago;
    pains with 1..10 and their place. keen: how many of the planned days were practised, 0..1.
    """

    signs: Mapping[str, str]
    measured: Mapping[str, tuple[float, float, float, float]] = field(default_factory=dict)
    away: tuple[int, ...] = ()
    harder: tuple[int, ...] = ()
    pains: Mapping[int, tuple[int, str]] = field(default_factory=dict)
    keen: float = 0.75


def levels(course: str) -> list[int]:
    """The levels of a course, oldest first."""
    found: list[int] = []
    for part in course.split():
        level, _, times = part.partition("x")
        found += [int(level)] * int(times or 1)
    return found


# Each reads: what was worked through, and what stands now.
PASTS: Mapping[str, DemoPast] = {
    # The hold was not safe and is; then a thumb that eased and came back with a harder piece.
    "Mira Oslund": DemoPast(
        {
            "hold.slips": "3x29 2 1x2 0x5",
            "hold.clamps": "2x30 1x2 0x5",
            "thumb.under": "2x31 1 0x5",
            "web.closed": "3x31 2x2 1 0x3",
            "thumb.locked": "3x31 2 1x2 0x3",
            "nail.pale": "2x32 1x2 0x3",
            "index.pressed": "2x33 1 0x3",
        },
        measured={"hold.slips": (6.5, 3, 1.6, 0.8)},
        harder=(5,),
    ),
    # The thumb came free; a soft fourth has not changed for long.
    "Jonas Feld": DemoPast(
        {
            "tip.gives/4": "3x37",
            "tip.gives/3": "1x37",
            "arch.fails/4": "3x36",
            "shape.lost/4": "2x36",
            "web.closed": "3x26 2x2 1 0x8",
            "thumb.locked": "3x26 2x2 0x9",
            "nail.pale": "2x27 1x2 0x8",
        },
        keen=0.85,
    ),
    # Wrist first, then the arm.
    "Tove Lindqvist": DemoPast(
        {
            "wrist.caved": "3x26 3x2 2x2 1 0x6",
            "wrist.bulged": "1x26 0x11",
            "fourth.low": "3x37",
            "fourth.straight": "2x37",
            "elbow.behind": "3x37",
            "web.closed": "0x37",
        },
    ),
    # An adult whose fingers learned to let go, and whose arm learns to hang; two weeks of a cold.
    "Bruno Castel": DemoPast(
        {
            "thumb.pushes": "3x30 2x3 1x4",
            "elbow.low": "3x31 2x6",
            "press.excess/4": "3x31 2x6",
            "fades.early": "3x31 2x6",
            "handback.tight": "3x27 2x2 1x2 0x6",
            "idle.stiff/4": "3x27 2x2 1 0x7",
        },
        away=(7, 8),
        keen=0.6,
    ),
    # Fingers that are not let go; it hurt a little once.
    "Edda Brandt": DemoPast(
        {
            "thumb.pushes": "1x31 2x3 3x3",
            "handback.tight": "3x30 2x7",
            "idle.stiff/4": "3x30 2x7",
            "idle.stiff/2": "2x30 1x7",
            "fades.early": "3x30 2x7",
        },
        pains={9: (2, "thumb")},
        keen=0.5,
    ),
    # All that was worked on is gone: ready for more.
    "Ilka Sorenvik": DemoPast(
        {
            "web.closed": "3x34",
            "thumb.locked": "3x34",
            "nail.pale": "2x34",
            "tip.gives/4": "3x26 2x2 1 0x6",
            "arch.fails/4": "3x26 2x2 0x7",
        },
    ),
    # Works too hard; it hurt before it was stopped.
    "Nils Haverkamp": DemoPast(
        {
            "fades.early": "1x30 1x2 2x5",
            "handback.tight": "1x30 2x7",
            "vibrato.narrow/4": "2x37",
            "vibrato.narrow/3": "1x37",
        },
        pains={6: (1, "forearm"), 4: (2, "forearm")},
        keen=0.95,
    ),
    # Loose joints that are managed.
    "Signe Aalto": DemoPast(
        {
            "laxity.fingers": "3x37",
            "middle.locks/3": "3x37",
            "middle.locks/4": "3x37",
            "tip.gives/4": "3x30 2x7",
            "tip.gives/3": "2x37",
        },
        keen=0.8,
    ),
    # Came late, stayed away for a month, came back; hardly finds the time.
    "Henrik Solvang": DemoPast(
        {
            "hold.slips": "3x37",
            "hold.clamps": "2x37",
            "web.closed": "3x37",
            "thumb.locked": "3x37",
        },
        away=(6, 7, 8, 9),
        keen=0.3,
    ),
    # Gone, and back with a fast piece.
    "Anouk Tessier": DemoPast(
        {
            "web.closed": "3x34",
            "thumb.locked": "3x34",
            "grip.at_start": "2x34",
            "uneven.fast": "2x28 2x4 1x2",
        },
    ),
}
