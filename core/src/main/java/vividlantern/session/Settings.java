package vividlantern.session;

import vividlantern.rig.RigId;

/** What holds for the whole session: its names, the engine's format, the rig it is made for, and the main mix. */
public record Settings(
        String name, String song, int sampleRate, int bitDepth, int bufferFrames, RigId rigId, MainMix main)
        implements Part {}
