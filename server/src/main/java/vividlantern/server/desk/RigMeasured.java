package vividlantern.server.desk;

import vividlantern.rig.RigId;

/** Something was measured of a rig, or what was measured counts now, or no more. */
public record RigMeasured(RigId rig) {}
