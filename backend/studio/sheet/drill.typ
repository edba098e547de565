// A drill on one page or more: its music, with lines to write on where notes are left to the player.
#let drill = json(bytes(sys.inputs.drill))
#set document(title: drill.title, author: "Jolf")
#set page(paper: sys.inputs.paper, margin: (x: 17mm, top: 15mm, bottom: 15mm))
#set text(font: ("Atkinson Hyperlegible Next", "Noto Music"), size: 11.5pt, lang: "en")
#set par(leading: 0.6em, spacing: 0.7em)
#show heading: set text(font: "Literata", weight: 600, size: 20pt)
#let soft = luma(35%)

= #drill.title
#text(fill: soft)[#drill.of]
#h(1fr)
#box[#text(font: ("Noto Music", "Literata"))[♩]#text(font: "Literata")[#(" = " + str(drill.tempo))]]
#if drill.hint != "" [#h(0.5em) #text(font: "Literata", style: "italic")[#drill.hint]]
#if drill.looks.len() > 0 [
  #linebreak()
  #for look in drill.looks [#box(baseline: 15%, image(bytes(look.svg), format: "svg", height: 0.95em, alt: look.words)) #look.words #h(0.8em)]
]
#if drill.yours != "" [#block(above: 0.8em)[*#drill.yours*]]
#v(4mm)
#for part in drill.music {
  block(breakable: false, above: 3mm, image(bytes(part.svg), format: "svg", width: part.width * 1mm, alt: drill.alt))
}
