"""Cases that several tests share. `case()` builds one from its findings."""

from typing import Any

from lefthand.case.case import Case
from lefthand.case.parsing import parse_case
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.plan import Plan
from lefthand.practice.planning import prescribe
from lefthand.reason.diagnosis import Diagnosis, diagnose


def case(instrument: str = "vn", observations: dict[str, Any] | None = None, **more: Any) -> Case:
    data = {
        "format": "jolf-case/1",
        "instrument": instrument,
        "observations": observations or {},
        **more,
    }
    return parse_case(data, load_catalogue())


def diagnosis(instrument: str = "vn", observations: Any = None, **more: Any) -> Diagnosis:
    return diagnose(case(instrument, observations, **more), load_catalogue())


def plan(instrument: str = "vn", observations: Any = None, **more: Any) -> Plan:
    return prescribe(diagnosis(instrument, observations, **more), load_catalogue())


# Worked cases of teaching practice (working judgement, no published source): instrument, findings,
# causes in order, exercise that must be among the first three offered.
WORKED_CASES = (
    (
        "a grip with a secure hold",
        "vn",
        {"web.closed": 3, "gap12.closed": 3, "nail.pale": 2, "uneven.fast": 2, "frame.shrinks": 2,
         "thumb.tired": 2, "hold.slips": 0},
        ["thumb_index_grip", "closed_frame"],
        "index_far_side",
    ),
    (
        "a closed opening explained by the hold",
        "vn",
        {"web.closed": 3, "thumb.locked": 2, "try.support_scroll": 3},
        ["insecure_hold"],
        "hands_free_hold",
    ),
    (
        "fingers that are held",
        "vc",
        {"fades.early": 3, "handback.tight": 3, "idle.stiff": 3, "thumb.pushes": 0},
        ["held_fingers"],
        "fall_and_let_go",
    ),
    (
        "an arm that did not come round",
        "vn",
        {"fourth.low": 2, "fourth.straight": 2, "elbow.behind": 3, "try.arm_round": 3},
        ["arm_not_under"],
        "four_stations",
    ),
    (
        "a hand set low",
        "vn",
        {"fourth.low": 3, "fourth.straight": 2, "elbow.behind": 0, "knuckles.low": 2,
         "try.raise_hand": 3},
        ["hand_set_low"],
        "lean_to_fourth",
    ),
    (
        "a weak fourth with a soft tip",
        "vn",
        {"tip.gives": {"4": 3}, "arch.fails": {"4": 3}, "elbow.behind": 0, "laxity.fingers": 0},
        ["weak_finger", "soft_tip_joint"],
        "shaped_finger",
    ),
    (
        "no arm weight on the bass",
        "db",
        {"thumb.pushes": 2, "fades.early": 2, "middle.locks": 2, "try.hang_arm": 3},
        ["no_arm_weight"],
        "hang_and_draw",
    ),
)  # fmt: skip
