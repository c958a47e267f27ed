package vividlantern.rig;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import vividlantern.basics.Ids;
import vividlantern.history.Anatomy;

/** A rig taken apart and put together again: how two states differ, and how a difference is applied. */
public final class RigParts implements Anatomy<Rig, RigPartKey, RigPart> {

    public static final RigParts OF_RIG = new RigParts();

    private RigParts() {}

    @Override
    public long revision(Rig rig) {
        return rig.revision();
    }

    @Override
    public Rig atRevision(Rig rig, long revision) {
        return rig.atRevision(revision);
    }

    @Override
    public SortedMap<RigPartKey, RigPart> parts(Rig rig) {
        SortedMap<RigPartKey, RigPart> parts = new TreeMap<>();
        parts.put(RigPartKey.SETTINGS, new RigSettings(rig.name(), rig.celsius()));
        rig.devices().forEach(device -> parts.put(RigPartKey.of(device), device));
        rig.ports().forEach(port -> parts.put(RigPartKey.of(port), port));
        rig.ties().forEach(tie -> parts.put(RigPartKey.of(tie), tie));
        rig.pairs().forEach(pair -> parts.put(RigPartKey.of(pair), pair));
        rig.groups().forEach(group -> parts.put(RigPartKey.of(group), group));
        rig.mics().forEach(mic -> parts.put(RigPartKey.of(mic), mic));
        return parts;
    }

    @Override
    public Rig replace(Rig rig, Map<RigPartKey, Optional<RigPart>> parts) {
        SortedMap<RigPartKey, RigPart> all = parts(rig);
        parts.forEach((key, part) -> part.ifPresentOrElse(present -> all.put(key, present), () -> all.remove(key)));
        return assemble(rig.id(), rig.revision(), all);
    }

    /** An id for a part of a kind that is to come, from its name. */
    public static String freshId(Rig rig, RigPartKey.Kind kind, String name) {
        return Ids.fresh(
                name,
                OF_RIG.parts(rig).keySet().stream()
                        .filter(key -> key.kind() == kind)
                        .map(RigPartKey::id)
                        .toList()::contains);
    }

    /** A rig from its parts; the revision is not one of them. */
    public static Rig assemble(RigId id, long revision, SortedMap<RigPartKey, RigPart> parts) {
        List<Device> devices = new ArrayList<>();
        List<Port> ports = new ArrayList<>();
        List<Tie> ties = new ArrayList<>();
        List<StereoPair> pairs = new ArrayList<>();
        List<WideGroup> groups = new ArrayList<>();
        List<Mic> mics = new ArrayList<>();
        parts.values().forEach(part -> {
            if (part instanceof Device device) {
                devices.add(device);
            } else if (part instanceof Port port) {
                ports.add(port);
            } else if (part instanceof Tie tie) {
                ties.add(tie);
            } else if (part instanceof StereoPair pair) {
                pairs.add(pair);
            } else if (part instanceof WideGroup group) {
                groups.add(group);
            } else if (part instanceof Mic mic) {
                mics.add(mic);
            }
        });
        RigSettings settings = (RigSettings) parts.get(RigPartKey.SETTINGS);
        return new Rig(id, revision, settings.name(), settings.celsius(), devices, ports, ties, pairs, groups, mics);
    }

    /** Ports need their device, ties and pairs their ports, and no port takes two ties or ends in a circle. */
    @Override
    public boolean holds(Rig before, Rig after, Map<RigPartKey, Optional<RigPart>> replaced) {
        Set<String> devices = new HashSet<>();
        after.devices().forEach(device -> devices.add(device.id()));
        Set<PortId> ports = new HashSet<>();
        after.ports().forEach(port -> ports.add(port.id()));
        Set<PortId> ends = new HashSet<>();
        return after.ports().stream().allMatch(port -> devices.contains(port.device()))
                && after.ties().stream()
                        .allMatch(tie -> ports.contains(tie.from()) && ports.contains(tie.to()) && ends.add(tie.to()))
                && after.pairs().stream().allMatch(pair -> ports.contains(pair.left()) && ports.contains(pair.right()))
                && after.groups().stream().allMatch(group -> ports.containsAll(group.ports()))
                && after.ties().stream().noneMatch(tie -> after.runsInACircle(tie.from()));
    }
}
