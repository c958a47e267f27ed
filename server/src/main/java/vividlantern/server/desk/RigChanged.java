package vividlantern.server.desk;

import vividlantern.rig.Rig;

/** A rig has a new, stored state. */
public record RigChanged(Rig before, Rig after) {}
