"""The core as a library: what is known, what is thought of a player, and what to practise.

    catalogue = load_catalogue()
    case = parse_case(json.loads(text), catalogue)
    diagnosis = diagnose(case, catalogue)
    plan = prescribe(diagnosis, catalogue)

Floors, each using only those before it: values, catalogue, case, reason, then practice, music and
change side by side; drawing on these; simulation, fit, picture and sound; passage; composing on
top. Inside the core modules are imported from where they stand.
"""

from lefthand.case.case import Case, Finding, Measurement
from lefthand.case.parsing import parse_case, read_case
from lefthand.catalogue.catalogue import Catalogue, load_catalogue
from lefthand.change.change import Change, change_json, change_of
from lefthand.change.course import Course, parse_course
from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.drawing.hand_json import parse_hand, picture_json
from lefthand.fit.reach_json import parse_fit, reach_json
from lefthand.music.drill_json import drill_json
from lefthand.picture.angles_json import angles_json
from lefthand.picture.points import parse_points
from lefthand.practice.plan import Plan, plan_json
from lefthand.practice.planning import prescribe
from lefthand.practice.selection import Wishes
from lefthand.reason.diagnosis import Diagnosis, diagnose, diagnosis_json
from lefthand.values.errors import CatalogueError, InputError

__all__ = [
    "Case",
    "Catalogue",
    "CatalogueError",
    "Change",
    "Course",
    "Diagnosis",
    "Finding",
    "ForWhom",
    "InputError",
    "Measurement",
    "Plan",
    "Wishes",
    "angles_json",
    "change_json",
    "change_of",
    "diagnose",
    "diagnosis_json",
    "drill_json",
    "drill_of",
    "load_catalogue",
    "parse_case",
    "parse_course",
    "parse_fit",
    "parse_hand",
    "parse_points",
    "picture_json",
    "plan_json",
    "prescribe",
    "reach_json",
    "read_case",
]
