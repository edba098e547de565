"""The notes of a drill as they leave the API."""

from api.drills.schemas import DrillNoteOut
from lefthand.music.drill_json import drill_json
from lefthand.music.score import Drill


def notes_out(drill: Drill | None) -> list[DrillNoteOut]:
    notes = drill_json(drill)["notes"] if drill else []
    return [
        DrillNoteOut(**{name: note[name] for name in DrillNoteOut.model_fields}) for note in notes
    ]
