package vividlantern.rig;

/** One thing of a rig that can change by itself; the unit of undo, of conflicts and of what is stored. */
public sealed interface RigPart permits RigSettings, Device, Port, Tie, StereoPair, WideGroup, Mic {}
