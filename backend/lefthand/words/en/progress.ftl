# What to do with an exercise after a week, and why.

move-no-change = { COUNT($lessons) } lessons and no clear change in what it aims at
move-shown = shown in the lesson
move-running = right on { COUNT($days) } practice days running, with no pain
move-not-there = not there yet; once more
move-not-shown = not shown yet
move-hurt = it hurt: { COUNT($weeks) } weeks without pain, then half as much
move-tighter = the hand got tighter with it
move-failed = not there in { COUNT($lessons) } lessons running
move-lowest = { $because }; it was the lowest step, so another exercise
move-last = { $because }; the last step is passed
