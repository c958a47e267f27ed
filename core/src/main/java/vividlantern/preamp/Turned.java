package vividlantern.preamp;

import vividlantern.rig.PortId;

/**
 * How somebody said that a preamp stands which only a hand can turn. It is a note beside the rig: the program cannot know
 * whether it is still true.
 */
public record Turned(PortId port, double gainDb, boolean phantom) {}
