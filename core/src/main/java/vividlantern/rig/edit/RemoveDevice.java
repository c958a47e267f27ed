package vividlantern.rig.edit;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;

/** Takes a device out, with its ties and pairs. Its ports keep their names for sessions that speak of them. */
public record RemoveDevice(String device) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Device found = RigRules.device(rig, device);
        Set<PortId> ports = rig.ports().stream()
                .filter(port -> port.device().equals(device))
                .map(Port::id)
                .collect(Collectors.toSet());
        Map<RigPartKey, Optional<RigPart>> parts = new HashMap<>();
        parts.put(RigPartKey.of(found), Optional.of(found.retired(true)));
        rig.ties().stream()
                .filter(tie -> ports.contains(tie.from()) || ports.contains(tie.to()))
                .forEach(tie -> parts.put(RigPartKey.of(tie), Optional.empty()));
        rig.pairs().stream()
                .filter(pair -> ports.contains(pair.left()) || ports.contains(pair.right()))
                .forEach(pair -> parts.put(RigPartKey.of(pair), Optional.empty()));
        rig.groups().stream()
                .filter(group -> group.ports().stream().anyMatch(ports::contains))
                .forEach(group -> parts.put(RigPartKey.of(group), Optional.empty()));
        return RigParts.OF_RIG.replace(rig, parts);
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.device(rig, device).name() + " taken out";
    }
}
