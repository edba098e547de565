"""An exercise of a week as it leaves the API."""

from api.drills.present import looks_out, notes_out
from api.drills.schemas import DrillNoteOut
from api.exercises.schemas import ExercisePage
from api.hands.present import two_hands_out
from studio.sheet.sheet import SheetItem

# Of a count-in before music of the player's own.
USUAL_BEATS = 4


def exercise_page(item: SheetItem, music: str | None) -> ExercisePage:
    """`music`: its picture in the width that is wanted."""
    exercise = item.exercise
    return ExercisePage(
        exercise=exercise.id,
        name=exercise.name,
        rung_words=item.rung_words,
        dose=item.dose.words(item.fingers),
        minutes=item.minutes,
        tempo=item.tempo,
        why=item.why,
        steps=list(item.steps),
        child=item.child,
        feel=exercise.feel,
        mirror=exercise.mirror,
        mistake=exercise.mistake,
        over=exercise.over,
        stop=exercise.stop,
        helper_does=exercise.helper_does,
        picture=two_hands_out(item.picture),
        music=music,
        music_title=item.music_title,
        music_credit=item.music_credit,
        notes=_notes(item),
        looks=looks_out(item.drill),
        beats=item.drill.beats if item.drill else USUAL_BEATS,
        beat=item.drill.tempo if item.drill else item.place.beat if item.place else None,
    )


def _notes(item: SheetItem) -> list[DrillNoteOut]:
    if item.drill is not None or item.place is None:
        return notes_out(item.drill)
    return [
        DrillNoteOut(
            midi=note.midi,
            finger=note.finger,
            string=note.string,
            onset=note.onset,
            seconds=note.seconds,
        )
        for note in item.place.notes
    ]
