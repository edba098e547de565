"""The demo studio's group: players who come together only. Nobody here exists."""

from studio.demo.shapes import DemoLesson, DemoPlayer, DemoSetup

# The Thursday group, and what is swept over it.
GROUP = "Small strings"
GROUP_CHECKS = ("tip.gives", "wrist.caved", "finger.flat")

GROUP_PLAYERS: tuple[DemoPlayer, ...] = (
    DemoPlayer(
        "Pelle Winther",
        "vn",
        "beginner",
        8,
        3,
        "16:30",
        "a walking tune on two strings",
        (
            DemoLesson(
                1, {"tip.gives": {"3": 1, "4": 2}, "wrist.caved": 2, "finger.flat": {"3": 1}}
            ),
        ),
        in_group=True,
        setups=(
            DemoSetup(20, {"size": "1/2", "string_length": 285}),
            DemoSetup(
                3,
                {
                    "size": "3/4",
                    "string_length": 308,
                    "tapes": [33.6, 63.5, 77.3],
                    "change": "the next size, tapes set anew",
                },
                "helped",
            ),
            DemoSetup(1, {"size": "3/4", "string_length": 308, "change": "pad one size thinner"}),
        ),
    ),
    DemoPlayer(
        "Runa Ekholt",
        "vn",
        "beginner",
        9,
        3,
        "16:30",
        "a walking tune on two strings",
        (DemoLesson(1, {"tip.gives": 0, "wrist.caved": 0, "finger.flat": 0}),),
        in_group=True,
    ),
    DemoPlayer(
        "Timo Sarre",
        "vc",
        "beginner",
        9,
        3,
        "16:30",
        "a walking tune on two strings",
        (DemoLesson(1, {"tip.gives": 0, "wrist.caved": 1, "finger.flat": {"4": 2}}),),
        in_group=True,
    ),
)
