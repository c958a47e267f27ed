package vividlantern.session;

import java.util.Optional;
import vividlantern.rig.PairId;
import vividlantern.units.Decibels;

/** The stereo mix that the control room makes: a level of its own and the output pair it leaves by. */
public record MainMix(Decibels level, Optional<PairId> output) {}
