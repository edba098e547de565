# What to do next with a player, and why.

next-worked = { $weeks ->
    [0] less than a week
    [one] one week
   *[other] { $weeks } weeks
 }

next-nothing-yet = Nothing has been looked at yet.
next-stop = A stop is up: { $because }.
next-red-pain = Pain of { $pain } or more was told: stop, ask a doctor.
next-pain = Pain was told: half as much, soft.
next-nobody-works = { START($cause) } is likely and nobody works on it yet.
next-nobody-works-on-it = Likely, and nobody works on it yet.
next-none-likely = No cause is likely yet: look on.
next-gone = { START($cause) } is gone: look again after { COUNT($weeks) } weeks, and when the music gets harder.
next-better = { START($cause) } is { $word } after { $worked }.
next-takes = { START($worked) } of work; it takes { $takes }.
next-takes-body = { START($worked) } of work; { $takes }.
next-too-early = { START($worked) } of work; it usually takes { $least } to { $most } weeks.
next-not-practised = It was practised on { $done } of { $planned } planned days, so nothing is said about the exercises: make the week shorter, or find it a fixed place in the day.
next-seems-less = { START($worked) } of work; it seems less, and a lesson or two will tell.

# Why to look again.
next-may-be-back = it was less and may be back
next-rival = { START($rival) } explains more of it by now
next-signs-do-not-speak = its signs do not speak for it any more
next-more = it has become more
next-no-change = { $lessons } lessons of work and no clear change
next-look-again = { START($cause) }: { $told }.
next-look-again-tells = { START($cause) }: { $told }. “{ START($check) }” would tell most.
next-told = { START($told) }.
next-told-tells = { START($told) }. “{ START($check) }” would tell most.
