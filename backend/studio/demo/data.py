"""The demo studio: an invented small-town strings studio. Nobody here exists.

Each player has lessons that lie some weeks back. `look` is what was graded; the plan is
what the planner proposes; `shown` maps an exercise to whether it was shown then.
"""

from studio.demo.group_data import GROUP_PLAYERS
from studio.demo.shapes import DemoLesson, DemoPicture, DemoPlayer

DEMO_USERNAME = "demo"
DEMO_PASSWORD = "strings-and-air"  # noqa: S105 - printed by the demo command, local only

PLAYERS: tuple[DemoPlayer, ...] = (
    DemoPlayer(
        "Mira Oslund",
        "vn",
        "intermediate",
        12,
        0,
        "14:30",
        "a country dance in D",
        (
            DemoLesson(
                4,
                {
                    "hold.slips": 0,
                    "web.closed": 3,
                    "thumb.locked": 3,
                    "nail.pale": 2,
                    "index.pressed": 2,
                    "uneven.fast": 2,
                    "thumb.tired": 2,
                    "gap12.closed": 1,
                },
                complaint="thumb.tired",
                line="Your thumb is a guest, not a guard.",
            ),
            DemoLesson(
                3,
                {
                    "web.closed": 3,
                    "thumb.locked": 2,
                    "nail.pale": 2,
                    "index.pressed": 2,
                    "uneven.fast": 2,
                    "thumb.tired": 2,
                    "gap12.closed": 1,
                },
                shown={"thumb_taps": True},
            ),
            DemoLesson(
                2,
                {
                    "web.closed": 2,
                    "thumb.locked": 1,
                    "nail.pale": 1,
                    "index.pressed": 1,
                    "uneven.fast": 2,
                    "thumb.tired": 1,
                    "gap12.closed": 2,
                },
                shown={"thumb_taps": True, "rod_pivot": True},
            ),
            DemoLesson(
                1,
                {
                    "web.closed": 1,
                    "thumb.locked": 1,
                    "nail.pale": 1,
                    "uneven.fast": 1,
                    "thumb.tired": 0,
                    "gap12.closed": 2,
                    "try.index_outside": 2,
                },
                shown={"thumb_taps": True, "rod_pivot": False},
                line="Four soft taps before every piece.",
            ),
        ),
    ),
    DemoPlayer(
        "Jonas Feld",
        "vn",
        "beginner",
        9,
        0,
        "15:00",
        "Star tune",
        (
            DemoLesson(
                3,
                {
                    "tip.gives": {"4": 3, "3": 1},
                    "arch.fails": {"4": 3},
                    "hold.slips": 0,
                    "elbow.behind": 0,
                    "laxity.fingers": 0,
                    "web.closed": 0,
                    "shape.lost": {"4": 2},
                    "thumb.locked": 0,
                },
                line="Small arches, small birds.",
            ),
            DemoLesson(
                2,
                {
                    "tip.gives": {"4": 3, "3": 0},
                    "arch.fails": {"4": 2},
                    "shape.lost": {"4": 2},
                    "thumb.locked": 0,
                    "web.closed": 0,
                },
                shown={"shaped_finger": True},
            ),
            DemoLesson(
                1,
                {
                    "tip.gives": {"4": 2},
                    "arch.fails": {"4": 2},
                    "shape.lost": {"4": 1},
                    "thumb.locked": 0,
                },
                shown={"shaped_finger": True},
                dismissed={"soft_tip_joint": "round when it rests, so it is not the joint"},
            ),
        ),
        helper_at_home=True,
        in_group=True,
        daily_minutes=8,
        pictures=(DemoPicture(3, -26, 12), DemoPicture(1, -7, -9)),
    ),
    DemoPlayer(
        "Tove Lindqvist",
        "va",
        "intermediate",
        15,
        0,
        "15:40",
        "second voice of a slow duet",
        (
            DemoLesson(
                3,
                {
                    "fourth.low": 3,
                    "fourth.straight": 2,
                    "elbow.behind": 3,
                    "knuckles.low": 1,
                    "wrist.caved": 0,
                    "web.closed": 0,
                    "try.arm_round": 3,
                },
                complaint="fourth.low",
            ),
            DemoLesson(
                2,
                {"fourth.low": 2, "fourth.straight": 2, "elbow.behind": 2, "knuckles.low": 1},
                shown={"four_stations": True},
            ),
            DemoLesson(
                1,
                {"fourth.low": 1, "fourth.straight": 1, "elbow.behind": 1, "knuckles.low": 0},
                shown={"four_stations": True},
            ),
        ),
        self_check=True,
    ),
    DemoPlayer(
        "Bruno Castel",
        "vc",
        "intermediate",
        34,
        0,
        "16:30",
        "a lullaby in G",
        (
            DemoLesson(
                3,
                {
                    "thumb.pushes": 1,
                    "elbow.low": 2,
                    "press.excess": {"1": 1, "4": 2},
                    "wrist.caved": 0,
                    "fades.early": 2,
                    "try.hang_arm": 3,
                },
                complaint="fades.early",
            ),
            DemoLesson(
                2,
                {
                    "thumb.pushes": 0,
                    "elbow.low": 1,
                    "press.excess": {"1": 0, "4": 1},
                    "fades.early": 1,
                },
                shown={"hang_and_draw": True},
            ),
            DemoLesson(
                1,
                {"thumb.pushes": 0, "elbow.low": 0, "press.excess": {"4": 0}, "fades.early": 1},
                shown={"hang_and_draw": True},
                line="Hang first, play second.",
            ),
        ),
    ),
    DemoPlayer(
        "Edda Brandt",
        "db",
        "beginner",
        16,
        0,
        "17:15",
        "bass line of a march",
        (
            DemoLesson(
                3,
                {
                    "thumb.pushes": 3,
                    "hold.moves": 0,
                    "handback.tight": 2,
                    "idle.stiff": {"4": 2, "2": 1},
                    "fades.early": 2,
                    "elbow.low": 0,
                },
            ),
            DemoLesson(
                2,
                {
                    "thumb.pushes": 2,
                    "handback.tight": 2,
                    "idle.stiff": {"4": 2},
                    "fades.early": 2,
                    "thumb.locked": 2,
                },
                shown={"fall_and_let_go": False},
            ),
            DemoLesson(
                1,
                {
                    "thumb.pushes": 2,
                    "handback.tight": 1,
                    "idle.stiff": {"4": 1},
                    "fades.early": 1,
                    "thumb.locked": 1,
                },
                shown={"fall_and_let_go": True},
            ),
        ),
    ),
    DemoPlayer(
        "Ilka Sorenvik",
        "va",
        "intermediate",
        13,
        0,
        "17:40",
        "an old sailors' round",
        (
            DemoLesson(
                6,
                {"web.closed": 3, "thumb.locked": 3, "nail.pale": 2, "hold.slips": 0},
                complaint="thumb.tired",
            ),
            DemoLesson(
                5, {"web.closed": 1, "thumb.locked": 1, "nail.pale": 1}, shown={"thumb_taps": True}
            ),
            DemoLesson(
                4,
                {"web.closed": 0, "thumb.locked": 0, "nail.pale": 0, "fourth.low": 1},
                shown={"thumb_taps": True},
            ),
            DemoLesson(
                2,
                {"web.closed": 0, "thumb.locked": 0, "nail.pale": 0, "fourth.low": 1},
                line="Still soft. We look again in two weeks.",
            ),
            DemoLesson(1, {"fourth.low": 1, "elbow.behind": 1}),
        ),
    ),
    DemoPlayer(
        "Nils Haverkamp",
        "vn",
        "advanced",
        19,
        0,
        "18:00",
        "a set of variations",
        (
            DemoLesson(
                3,
                {
                    "fades.early": 2,
                    "handback.tight": 2,
                    "bow.triggers": 1,
                    "vibrato.narrow": {"4": 2, "3": 1},
                    "web.closed": 0,
                },
            ),
            DemoLesson(2, {"fades.early": 2, "handback.tight": 2, "vibrato.narrow": {"4": 2}}),
            DemoLesson(
                1,
                {"fades.early": 3},
                complaint="fades.early",
                reports={"pain": 5, "pain_when": ["playing", "next_day"], "place": "forearm"},
            ),
        ),
        hours_a_day=3,
    ),
    DemoPlayer(
        "Signe Aalto",
        "vn",
        "beginner",
        10,
        1,
        "15:30",
        "Brother, are you sleeping",
        (
            DemoLesson(
                3,
                {
                    "laxity.fingers": 3,
                    "middle.locks": {"2": 2, "3": 3, "4": 3},
                    "tip.gives": {"3": 2, "4": 2},
                    "web.closed": 0,
                    "hold.slips": 0,
                },
            ),
            DemoLesson(
                2,
                {"middle.locks": {"3": 2, "4": 2}, "tip.gives": {"3": 1, "4": 2}},
                shown={"soft_shape": True},
            ),
            DemoLesson(
                1,
                {"middle.locks": {"3": 1, "4": 2}, "tip.gives": {"4": 1}},
                shown={"soft_shape": True},
            ),
        ),
        helper_at_home=True,
        in_group=True,
    ),
    DemoPlayer(
        "Henrik Solvang",
        "vn",
        "beginner",
        62,
        1,
        "11:00",
        "an evening song",
        (
            DemoLesson(
                3,
                {
                    "hold.slips": 3,
                    "hold.clamps": 2,
                    "web.closed": 3,
                    "thumb.locked": 2,
                    "thumb.under": 3,
                    "try.support_scroll": 3,
                },
            ),
            DemoLesson(
                2,
                {"hold.slips": 2, "hold.clamps": 1, "web.closed": 2, "thumb.locked": 2},
                shown={"hands_free_hold": True},
            ),
            DemoLesson(
                1,
                {"hold.slips": 1, "hold.clamps": 1, "web.closed": 1, "thumb.locked": 1},
                shown={"hands_free_hold": True},
            ),
        ),
    ),
    DemoPlayer(
        "Lene Moravec",
        "vc",
        "beginner",
        8,
        2,
        "14:00",
        "a frog's song",
        (
            DemoLesson(
                3,
                {
                    "reach.exceeded": {"value": -12},
                    "extension.distorts": 2,
                    "fourth.short": 2,
                    "wrist.caved": 0,
                    "elbow.low": 0,
                    "try.upper_position": 3,
                },
            ),
            DemoLesson(2, {"extension.distorts": 2, "fourth.straight": 2, "wrist.caved": 0}),
            DemoLesson(
                1, {"extension.distorts": 1, "fourth.straight": 1}, shown={"fourth_first": True}
            ),
        ),
        helper_at_home=True,
        in_group=True,
    ),
    DemoPlayer(
        "Anouk Tessier",
        "vn",
        "intermediate",
        14,
        2,
        "16:00",
        "a fiddle reel, now at full speed",
        (
            DemoLesson(
                6, {"web.closed": 2, "thumb.locked": 3, "grip.at_start": 2, "hold.slips": 0}
            ),
            DemoLesson(
                4,
                {"web.closed": 1, "thumb.locked": 1, "grip.at_start": 1},
                shown={"thumb_taps": True},
            ),
            DemoLesson(
                3,
                {"web.closed": 0, "thumb.locked": 0, "grip.at_start": 0},
                shown={"thumb_taps": True},
                line="It is gone. We look again in two weeks.",
            ),
            DemoLesson(
                1,
                {"web.closed": 1, "thumb.locked": 2, "returns.hard": 3, "nail.pale": 1},
                line="New fast piece, old squeeze. We know what helps.",
            ),
        ),
    ),
    *GROUP_PLAYERS,
)
