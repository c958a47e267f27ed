package vividlantern.server.desk;

import vividlantern.rig.RigId;

/** Somebody noted how a preamp of a rig stands that only a hand can turn. */
public record RigTurned(RigId rig) {}
