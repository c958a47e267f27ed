package vividlantern.session;

import java.util.LinkedHashMap;
import java.util.Map;
import vividlantern.rig.RigId;
import vividlantern.units.PlainNumber;

/** What holds for the whole session: its names, the engine's format, the rig it is made for, and the main mix. */
public record Settings(
        String name, String song, int sampleRate, int bitDepth, int bufferFrames, RigId rigId, MainMix main)
        implements Part {
    @Override
    public String title(PartNames names, PartKey key) {
        return "Session";
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("name", name);
        traits.put("song", song);
        traits.put("sample rate", PlainNumber.of(sampleRate / 1000.0) + " kHz");
        traits.put("bit depth", bitDepth + " bit");
        traits.put("buffer", bufferFrames + " frames");
        traits.put("rig", rigId.value());
        traits.put("main level", main.level().toString());
        traits.put("main speakers", main.output().map(names::pair).orElse("none"));
        return traits;
    }
}
