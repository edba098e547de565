# Why a look comes now, and what became of last week's focus.

look-complaint-said = you said: “{ $words }”
look-complaint = it is the complaint
look-outside = before the left hand is blamed for it
look-new-size = the instrument is another size since
look-before-reach = before a short reach is thought of
look-for-exercises = this week's exercises need to know it
look-before-nudge = before a joint is set by hand, or a stretch is given
look-hold = the hold comes before the hand
look-tells = tells { $one } from { $other }
look-is-it = is it this: { $cause }?

kept-still = Kept from last week: { $now } before today's look and after it.
kept-moved = Kept from last week: { $before } before today's look, { $now } now.
kept-no-focus = Last week's focus, { $cause }, is { $now } now.
kept-rival = Last week's focus, { $cause }, is { $now } now; { $rival } is { $rival_word }.
look-due = { START($cause) }: due for another look
look-no-change = { COUNT($lessons) } lessons and no change: is it this at all?

body-injury = Earlier injury or operation
body-loose = Loose joints: { $how }
body-loose-all-over = Loose all over: { $how }
