package vividlantern.rig;

/** What a rig says of itself as a whole. */
public record RigSettings(String name, double celsius) implements RigPart {}
