"""Reading music that others wrote: MusicXML 2.0 to 4.0, plain or compressed, one part of it."""
