# Why a cause is thought likely, and why an exercise is given for it.

grade-0 = not there
grade-1 = slight
grade-2 = clear
grade-3 = strong
trial-0 = did not help
trial-1 = helped a little
trial-2 = helped clearly
trial-3 = helped at once

# As short as a button.
undo-trial-0 = no help
undo-trial-1 = a little
undo-trial-2 = clearly
undo-trial-3 = at once

seen-now = { $label } ({ $how })
seen-fingers = { $label } ({ $how }, finger { $fingers })
seen-before = { $seen }, from before
seen-complaint = { $label } (complaint)
seen-last-time = { $how } last time

focus-because = { START($cause) }: { $word }, because { $seen }.
focus-before = { START($cause) }: { $word }; it was { $before } by earlier lessons, and nothing seen today speaks for it yet.
focus-often-met = { START($cause) }: { $word }, from how often it is met; nothing seen speaks for it yet.

why-because = { START($because) }.
why-does = This { $does }.
why-does-carried = This { $does }, while a helper carries the scroll.
why-both = { START($because) }; this { $does }.
why-both-carried = { START($because) }; this { $does }, while a helper carries the scroll.
why-as-told = { $text }
