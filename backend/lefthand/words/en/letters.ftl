# The letters to a parent or a grown player, a colleague, a doctor or physiotherapist. No opinion on
# health stands in any of them, and no disease is named. $adult is "yes" where the player reads it.

letter-title = { $name }’s lessons, { DAY($start) } to { DAY($end) }
letter-title-colleague = { $name }: what was found and tried, { DAY($start) } to { DAY($end) }
letter-title-doctor = { $name }: what was told in lessons, { DAY($start) } to { DAY($end) }
letter-several = Letters
letter-picture = The weeks in a picture.
letter-picture-string = { $name }: { $answer }.

letter-greeting = Greeting
letter-closing = Closing
letter-regards = With kind regards,

# ------------------------------------------------------------------ a parent

letter-dear-player = Dear { $name },
letter-dear-parents = Dear parents of { $name },
letter-worked-on = What we worked on
letter-worked-on-nothing = { $adult ->
    [yes] You and I
   *[no] { $name } and I
 } have looked at how the left hand plays.
letter-worked-on-this = This is what { $adult ->
    [yes] you and I
   *[no] { $name } and I
 } have worked on:
letter-worked-on-with = { $meaning } With: { $exercises }.
letter-better = What is better
letter-better-early = Hands change slowly, and it is too early to see a clear difference. Practice in small, soft portions is what brings it.
letter-better-not = After { $weeks } weeks there is no difference yet that I could be sure of. I am looking again at what may be behind it.
letter-better-this = { START($easier) }.
letter-better-perhaps = { START($easier) } (as far as one can see).
letter-next = What comes next
letter-next-stopped = The exercises are paused for now. Please see a doctor or a physiotherapist first; we go on, gently, when they say that it is all right.
letter-next-keep = We keep what has been won, look at it again from time to time, and go on with music.
letter-next-less = We go on with this: { $meaning } It is less than it was, so we go on until it is there unasked.
letter-next-long = We go on with this: { $meaning } It usually takes { $takes }; we have worked on it for { $weeks } weeks, so I look again at what may be behind it.
letter-next-takes = We go on with this: { $meaning } It usually takes { $takes }.
letter-watch = One thing to watch for at home
letter-watch-break = That there is a short break before the hand gets tired.
letter-watch-this = { $exercise }: { $mirror } When you see this, it goes well.
letter-hurts = If something hurts
letter-hurts-told = Soft and short is better than long and tight. If anything hurts, tingles or goes numb: please stop, put the instrument down and tell me. A doctor or physiotherapist is the right person to ask about pain.

# ------------------------------------------------------------------ a colleague

letter-dear-colleague = Dear colleague,
letter-player = The player
letter-player-age = about { $years } years
letter-player-hours = plays about { $hours } hours a day
letter-player-piece = now: { $piece }
letter-player-told = { START($facts) }. { $lessons ->
    [0] No lesson
    [one] One lesson
   *[other] { $lessons } lessons
 } so far.
letter-player-way = { $way }: { $chosen }
letter-player-body = { $fact }, { DAY($on) }
letter-player-body-limits = { $fact }, { DAY($on) }; allowed: { $limits }
letter-stands = Where it stands
letter-stands-nothing = Nothing was likely so far.
letter-stands-cause = { $name }: { $answer } ({ $chance } % likely to be there now, by all lessons)
letter-told-from = What it is told from
letter-told-from-sign = { $name }, at the last look: { $why }
letter-told-from-measure = { $label }: { $first } to { $last } { $unit }, { $answer }
letter-told-from-measure-least = { $label }: { $first } to { $last } { $unit }, { $answer }; a change counts from { $least }
letter-tried = What was tried
letter-tried-nothing = No exercise was given yet.
letter-tried-exercise = { $exercise }, up to step { $rung } of { $rungs }
letter-tried-exercise-helped = { $exercise }, up to step { $rung } of { $rungs }; less trouble after it
letter-notes = Trials, own words and choices
letter-notes-day = { DAY($day) }: { $notes }
letter-avoid = What to avoid
letter-avoid-stop = Stopped on { DAY($from) } ({ $why }), still up
letter-avoid-stop-lifted = Stopped on { DAY($from) } ({ $why }), lifted { DAY($until) }: “{ $note }”
letter-avoid-loose = Loose joints: no stretching, no pushing into place by anybody’s hand.
letter-avoid-strength = Strength exercises, until the thumb lets go.
letter-avoid-disliked = { $exercise }: not liked
letter-avoid-ruled-out = { START($cause) }: ruled out on { DAY($on) }
letter-would-do = What I would do next

# ------------------------------------------------------------------ a doctor or physiotherapist

letter-dear-doctor = Dear doctor, dear physiotherapist,
letter-about = About this letter
letter-about-told = I teach a stringed instrument. This is a record of what was told in lessons and in practice logs at home. It is no medical opinion.
letter-playing = Playing
letter-playing-told = { $name } plays the { $instrument }, about { $hours } hours a day.
letter-reported = What was reported
letter-reported-nothing = No pain and none of the other signs were reported.
letter-reported-allowed = { DAY($day) }, allowed after an earlier injury: { $limits }
letter-reported-lesson = { DAY($day) }, in the lesson: { $told }
letter-reported-home = { DAY($day) }, at home: { $told }
letter-stopped = What was stopped
letter-stopped-nothing = Nothing was stopped.
letter-stopped-until = From { DAY($from) } the exercises were paused ({ $why }), until { DAY($until) }.
letter-stopped-still = From { DAY($from) } the exercises were paused ({ $why }), and they still are.
letter-question = What I would like to know
letter-question-told = May the hand practise, how much, and what should it leave out for now?

# $place is somewhere where it was not said.
told-pain = pain { $pain } of 10{ $place-id ->
    [somewhere] {""}
   *[other] {" "}in { $place }
 }
told-pain-shown = pain { $pain } of 10 in an exercise that was shown
told-pain-again = pain{ $place-id ->
    [somewhere] {""}
   *[other] {" "}in { $place }
 }, { $answer ->
    [less] less than
    [more] more than
   *[same] the same as
 } last time
told-complaint = “{ $says }”
told-sign-numbness = numbness or tingling
told-sign-radiating = pain that travels along the arm
told-sign-curling = a finger that curls or does what it wants
told-sign-swelling = swelling
told-sign-sudden-weakness = sudden weakness, dropping things
told-sign-tired-next-day = tiredness into the next day
told-sign-earlier-injury = an earlier injury or operation of this arm
told-sign-playing-jump = much more playing than the week before
told-time-playing = while playing
told-time-rest = at rest
told-time-night = at night
told-time-next-day = still the next day
