package vividlantern.rig;

/** One fixed cable, from the port where a signal leaves to the port where it goes on. */
public record Tie(PortId from, PortId to) implements RigPart {}
