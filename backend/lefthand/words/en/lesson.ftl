# A lesson: what Undo takes back, what else was done in it, what is known of the body, what of reach.

undo-result-shown = { $exercise }: shown
undo-result-not-yet = { $exercise }: not yet
undo-result-back = { $exercise }: taken back
undo-look = { $check }: { $found }
undo-look-finger = { $check }, finger { $finger }: { $found }
undo-taken-back = taken back
undo-entered = entered
undo-skipped = { $check }: cannot see it
undo-not-skipped = { $check }: look after all
undo-complaint = complaint: { $check }
undo-complaint-back = complaint taken back
undo-cause-pinned = { $cause }: chosen
undo-cause-dismissed = { $cause }: not this
undo-cause-open = { $cause }: maybe after all
undo-cause-back = { $cause }: word taken back
undo-focus = focus: { $causes }
undo-no-focus = no focus
undo-disliked = { $exercise }: not liked
undo-liked = { $exercise }: liked again
undo-week = the week: { $exercises }
undo-week-back = the week taken back

note-trial-0 = { $trial }: no help
note-trial-1 = { $trial }: helped a little
note-trial-2 = { $trial }: helped clearly
note-trial-3 = { $trial }: helped at once
# A trial measured before and after.
pair-right = It was right before already: nothing to ease.
pair-chance = No difference that measuring twice could not make by itself.
pair-gain-fourth-cents = The fourth comes { $by } cents higher.
pair-loss-fourth-cents = The fourth ends { $by } cents lower.

note-pinned = { $cause }: your choice
note-dismissed = { $cause }: ruled out
note-open = { $cause }: maybe after all
note-why = { $note } ({ $why })
note-second = second focus: { $cause }
note-lifted = stop ({ $why }), lifted by you on { SHORT($day) }: “{ $note }”

body-span = Span { $mm } mm
body-not-it = Not it: { $cause }

reach-measure = Measure the span on the ruler: it tells what size or setting would fit.
reach-with = with a span of { $mm } mm ({ SHORT($on) })
reach-fits = This size fits { $with }: the reach is a matter of how the hand is set.
reach-turn = This size fits { $with } and a turn of the hand towards the fourth: no smaller one.
reach-size = A { $size } would fit { $with } and a turn of the hand; a luthier helps with the choice.
reach-place = No other size is for this hand { $with }; it fits from { $semitones } semitones above the open string on.
reach-none = No size is known that fits { $with }; ask a luthier about a shorter string.

heard-tightens = It tightens from bar { $bar }.
heard-tightens-not = It does not tighten before the end.
heard-tightens-unclear = Too few notes to tell from where it tightens.
heard-none-stands-out = No bar stands out from the rest.
heard-hardest = Bar { $bar } was farthest from the rest.
heard-expected = That is where it was expected.
heard-elsewhere = It was expected elsewhere: look what this bar asks.

call-string = { $string } string
call-finger = finger { $finger }
call-let-go = let go

tape-in-place = Tape at { $at } mm: in its place, { $semitones } { $semitones ->
    [one] half step
   *[other] half steps
 } above the open string.
tape-off = Tape at { $at } mm: { $off } mm too { $side ->
    [near] near to the nut
   *[far] far from the nut
 }, { $cents } cents { $side ->
    [near] low
   *[far] high
 }; { $semitones } { $semitones ->
    [one] half step lies
   *[other] half steps lie
 } at { $place } mm.
