// The chosen bars of a player's piece, with fingers and places to let go. All data comes in as JSON.
#let part = json(bytes(sys.inputs.part))
#set document(title: part.title, author: "Jolf")
#set page(paper: sys.inputs.paper, margin: (x: 15mm, top: 14mm, bottom: 14mm))
#set text(font: ("Atkinson Hyperlegible Next", "Noto Music"), size: 11pt, lang: "en")
#show heading: set text(font: "Literata", weight: 600)

= #part.title
#if part.one != "" [#text(font: "Literata", weight: 600, size: 14pt, part.one) #linebreak()]
#part.words

#for lines in part.music {
  block(breakable: false, width: 100%, image(bytes(lines.svg), format: "svg", width: 100%, alt: lines.alt))
  v(2mm)
}
#if part.way != "" [
  == #part.way_title
  #part.way
]
