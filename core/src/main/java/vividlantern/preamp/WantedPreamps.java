package vividlantern.preamp;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;

/**
 * How the preamps shall stand by the input list. Where +48 V is switched for a bank it comes on if an input there wants
 * it, and stays off if any input there must never have it: a dead condenser costs a take, a ribbon costs a ribbon.
 */
public final class WantedPreamps {

    private static final Comparator<PortId> BY_ID = Comparator.comparing(PortId::value);

    private WantedPreamps() {}

    /** Every preamp that a program can set, as it shall stand; one that nobody uses, or says a gain for, stands at its least. */
    public static SortedMap<PortId, PreampSetting> of(Session session, Rig rig) {
        return settings(session, rig, true);
    }

    /** Every preamp that only a hand can set and of which an input wants something, as it shall stand. */
    public static SortedMap<PortId, PreampSetting> byHand(Session session, Rig rig) {
        SortedMap<PortId, PreampSetting> all = settings(session, rig, false);
        Map<PortId, List<Input>> byPreamp = byPreamp(session, rig);
        all.entrySet()
                .removeIf(wanted -> !wanted.getValue().phantom()
                        && byPreamp.get(wanted.getKey()).stream()
                                .allMatch(input -> input.gainDb().isEmpty()));
        return all;
    }

    private static SortedMap<PortId, PreampSetting> settings(Session session, Rig rig, boolean remote) {
        Map<PortId, List<Input>> byPreamp = byPreamp(session, rig);
        SortedMap<PortId, PreampSetting> settings = new TreeMap<>(BY_ID);
        for (Port preamp : rig.ports()) {
            if (preamp.hasPreamp() && preamp.remote() == remote) {
                settings.put(preamp.id(), setting(rig, preamp, byPreamp));
            }
        }
        return settings;
    }

    private static PreampSetting setting(Rig rig, Port preamp, Map<PortId, List<Input>> byPreamp) {
        Optional<Input> input = byPreamp.get(preamp.id()).stream().findFirst();
        double gainDb = input.flatMap(Input::gainDb).orElse(preamp.gain().minDb());
        return new PreampSetting(
                preamp.gain().settle(gainDb),
                preamp.phantom() && phantom(rig, preamp, byPreamp),
                preamp.padDb() > 0 && input.filter(Input::pad).isPresent(),
                input.map(wanting -> level(preamp, wanting)).orElse(PreampSetting.Level.MIC));
    }

    /** The level kind that an input asks for where its preamp has it, else mic. */
    private static PreampSetting.Level level(Port preamp, Input input) {
        if (!preamp.takes().contains(input.level())) {
            return PreampSetting.Level.MIC;
        }
        return switch (input.level()) {
            case LINE -> PreampSetting.Level.LINE;
            case INSTRUMENT -> PreampSetting.Level.INSTRUMENT;
            case MIC, DIGITAL -> PreampSetting.Level.MIC;
        };
    }

    private static boolean phantom(Rig rig, Port preamp, Map<PortId, List<Input>> byPreamp) {
        List<Input> together = rig.ports().stream()
                .filter(port -> port.id().equals(preamp.id())
                        || !preamp.bank().isEmpty()
                                && port.bank().equals(preamp.bank())
                                && port.device().equals(preamp.device()))
                .flatMap(port -> byPreamp.getOrDefault(port.id(), List.of()).stream())
                .toList();
        return together.stream().anyMatch(input -> input.phantom() == PhantomWish.ON)
                && together.stream().noneMatch(input -> input.phantom() == PhantomWish.NEVER);
    }

    private static Map<PortId, List<Input>> byPreamp(Session session, Rig rig) {
        Map<PortId, List<Input>> byPreamp = new TreeMap<>(BY_ID);
        rig.ports().stream().filter(Port::hasPreamp).forEach(preamp -> byPreamp.put(preamp.id(), List.of()));
        session.inputs()
                .forEach(input -> rig.preampsOf(input.ports())
                        .forEach(preamp -> byPreamp.merge(preamp.id(), List.of(input), WantedPreamps::joined)));
        return byPreamp;
    }

    private static List<Input> joined(List<Input> some, List<Input> more) {
        return java.util.stream.Stream.concat(some.stream(), more.stream()).toList();
    }
}
