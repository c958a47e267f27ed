package vividlantern.session;

/** A named place in the song, at the start of a bar (counted from 1). */
public record Marker(MarkerId id, String name, int bar) implements Part {}
