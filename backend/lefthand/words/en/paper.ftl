# The practice sheet, its helper's page, the part of a piece, the ruler, the calendar. $child is "yes" where a child reads it.

# A bass tune that goes from the half position instead of the first.
music-half = { $title }, half position

# What is looked at where a tune stops.
look-thumb = thumb soft
look-elbow = elbow free
look-finger = finger round

# A drill with something left to the player: the teacher plays, the player answers.
drill-yours-notes = One note a bar is yours: play it, then write it in.
drill-yours-bars = Every second bar is yours: play it, then write it in.

sheet-title = Practice { $sheets ->
    [one] sheet
   *[other] sheets
 } for { $names }
sheet-page-head = { $name }, from { $from }
sheet-page = page
sheet-from = from { $from }
sheet-code = Code of the private page
sheet-code-words = { $child ->
    [yes] hear and see
   *[no] hear, see, log
 }
sheet-minutes = { $minutes ->
    [one] one minute a day
   *[other] { $minutes } minutes a day
 }
sheet-hurts = It hurts, tingles or goes numb?
sheet-hurts-do = { $child ->
    [yes] Stop. Put the { $instrument } down. Fetch a grown-up.
   *[no] Stop, put the instrument down and tell your teacher.
 }
sheet-lesson-day = { $day } lesson
sheet-free-day = { $day } free
sheet-colour = Colour each day.
sheet-colour-numbers = Colour each day; numbers say which.
sheet-numbers = Numbers say which.
sheet-feels = Feels like
sheet-stop-when = Stop when
sheet-not = not: { $words }
sheet-music-of = Music of { $name }
sheet-my-piece = My piece, bars
sheet-to = to
sheet-copy = Copy the hardest of them here:
sheet-helper = Helper (no music needed):
sheet-helper-sees = in { $number }, { $see } Say so.
sheet-own-word = { $child ->
    [yes] My word:
   *[no] My own word for how it felt:
 }
sheet-rest = Please rest this hand.
sheet-rest-until = No exercises until your teacher says so.
sheet-rest-see = { $child ->
    [yes] Show this to a grown-up: please see a doctor or a physiotherapist about:
   *[no] Please see a doctor or a physiotherapist about:
 }
sheet-they-said = What they said:
sheet-meanwhile = Meanwhile:
sheet-meanwhile-do = sing the tune, clap it, listen to it.
sheet-easing = Easing off this week:
sheet-easing-do = half of it, soft and short. Leave out whatever hurts.
sheet-nothing = Nothing to practise this week. Play what you like.
sheet-practise = Practise the left hand

# Sentences to be said as they stand; what they say is common practice, no source.
helper-title = For { $name }’s helper
helper-one-thing = The one thing of the week:
helper-how-much = How much
helper-look = Look
helper-say = Say
helper-say-first = “Show me the first one. I look at your hand, not at the notes.”
helper-say-there = “There, that was it!” as soon as you see it.
helper-say-once-more = “Let go, shake the hand out, then once more.” when it was not there.
helper-say-enough = “Enough for today.” when the numbers are done. More is not better.
helper-say-after = Afterwards: “{ $ask }”
helper-not = Better not
helper-not-bend = Do not bend, press or pull a finger, the thumb or the wrist with your own hand.
helper-not-harder = Do not say “press harder” or “sit still”. Say what you would like to see.
helper-not-on = Do not go on when it hurts, tingles or tires, not even to the end of the line.
helper-not-make-up = Do not make up for a day that was missed.
helper-not-notes = Do not correct the notes at the same time: this week is for one thing.

part-words = Bars { $first } to { $last }. At each comma above the music the hand goes soft for a moment.
part-music = Music from bar { $bar }, with fingers
part-way = The way there
part-stage = { $first } to { $last }
part-then = { $before }, then { $stage }
part-begin = Begin with bars { $stages }. Start at { $start } quarters a minute and go up by 7 % whenever it was loose, to { $goal }.

ruler-title = Paper ruler and tape guide
ruler-heading = Paper ruler and tapes
ruler-of = { $instrument }, string { $string } mm from nut to bridge, { $frame }
ruler-frame = { $position ->
    [0] half position
    [1] first position
   *[other] position { $position }
 }
ruler-scale = This line must be 100 mm long.
ruler-cut-nut = If it is not, print again at 100 %, without fitting to the page. Cut out the strip and lay its upper edge at the nut, where the board begins.
ruler-cut = If it is not, print again at 100 %, without fitting to the page. Cut out the strip and lay its upper edge { $from } mm from the nut.
ruler-tape = { $mm } mm from the nut
ruler-needs = the frame needs
ruler-spans = the hand spans easily
ruler-note = Near finger { $finger } one millimetre changes the note by about { $cents } cents.
ruler-short = The frame asks for { $mm } mm more than the hand spans easily. Do not stretch it cold: let the hand turn, or let the first finger go. Near finger { $finger } one millimetre changes the note by about { $cents } cents.
