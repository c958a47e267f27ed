package vividlantern.patch;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.units.PlainNumber;

/** Says why a fit is as it is, and what would help what it leaves without a place. */
final class FitReasons {

    private final Session session;
    private final Rig rig;
    private final Fit.Wishes wishes;

    /** @param session in which nothing that is asked for has a place, but where somebody chose it */
    FitReasons(Session session, Rig rig, Fit.Wishes wishes) {
        this.session = session;
        this.rig = rig;
        this.wishes = wishes;
    }

    /** Why an input goes where it goes, in words that follow "because". */
    String why(Input input, String from, String to, Map<PortId, Input> taken) {
        if (to.equalsIgnoreCase(from)) {
            return "it has the same name";
        }
        List<String> reasons = new ArrayList<>();
        List<String> needs = needs(input);
        if (!needs.isEmpty()) {
            reasons.add("it needs " + String.join(" and ", needs));
        }
        if (input.phantom() == PhantomWish.NEVER) {
            reasons.add("+48 V stays off there");
        }
        for (String name : wishes.ports().get(input.id())) {
            Ports.byName(rig, name)
                    .map(Port::id)
                    .flatMap(port -> whyNotThere(port, input, taken))
                    .ifPresent(reasons::add);
        }
        return reasons.isEmpty() ? "it is the first free port" : String.join(", and ", reasons);
    }

    private Optional<String> whyNotThere(PortId port, Input input, Map<PortId, Input> taken) {
        String label = rig.label(port);
        if (!Ports.takes(rig, port, input.level())) {
            return Optional.of(label + " does not take " + word(input.level()) + " level");
        }
        if (!Ports.fit(rig, List.of(port), input)) {
            return Optional.of(label + " gives no +48 V");
        }
        return Optional.ofNullable(taken.get(port))
                .filter(other -> !other.id().equals(input.id()))
                .map(other -> label + " is taken by " + other.source());
    }

    /** What not every port has. */
    private static List<String> needs(Input input) {
        List<String> needs = new ArrayList<>();
        if (input.phantom() == PhantomWish.ON) {
            needs.add("+48 V");
        }
        if (input.level() != Port.Signal.MIC) {
            needs.add(word(input.level()) + " level");
        }
        if (input.width() > 1) {
            needs.add(input.width() + " ports side by side");
        }
        return needs;
    }

    private static String word(Port.Signal level) {
        return level.name().toLowerCase(Locale.ROOT);
    }

    /**
     * Why an input goes nowhere.
     *
     * @param any whether there is a port that would fit it alone
     */
    String whyNot(Input input, boolean any) {
        List<String> needs = needs(input);
        String what = needs.isEmpty() ? "" : "it needs " + String.join(" and ", needs) + ", and ";
        return what + (any ? "every port that fits is taken" : "no free port fits");
    }

    /** What would help those that have no place. */
    List<String> proposals(List<Fit.FitLine> lines) {
        List<Fit.FitLine> without =
                lines.stream().filter(line -> !line.isPlaced()).toList();
        List<Input> left = without.stream()
                .flatMap(line -> line.input().flatMap(session::find).stream())
                .toList();
        List<String> proposals = new ArrayList<>();
        List<Input> atMicLevel =
                left.stream().filter(input -> input.level() == Port.Signal.MIC).toList();
        if (!atMicLevel.isEmpty()) {
            int channels = atMicLevel.stream().mapToInt(Input::width).sum();
            boolean powered = atMicLevel.stream().anyMatch(input -> input.phantom() == PhantomWish.ON);
            proposals.add("An expander with " + channels + (channels == 1 ? " mic input" : " mic inputs")
                    + (powered ? " and +48 V" : "") + " could take " + sources(atMicLevel.stream()) + ".");
        }
        if (!left.isEmpty()) {
            lowerRate().ifPresent(proposals::add);
            String unplayed = sources(session.inputs().stream()
                    .filter(input -> wishes.ports().containsKey(input.id()) && !left.contains(input))
                    .filter(input -> input.performer().isEmpty()));
            if (!unplayed.isEmpty()) {
                proposals.add("Nobody plays " + unplayed + "; leaving some of that out may make room.");
            }
        }
        if (without.stream().anyMatch(line -> line.cue().isPresent())) {
            proposals.add("Let performers who want to hear the same share a cue.");
        }
        return proposals;
    }

    private static String sources(Stream<Input> inputs) {
        return inputs.map(Input::source).collect(Collectors.joining(", "));
    }

    private Optional<String> lowerRate() {
        Map<Integer, Integer> more = new LinkedHashMap<>();
        rig.driver().sampleRates().stream()
                .filter(rate -> rate < session.sampleRate())
                .forEach(rate -> more.put(rate, (int) Ports.open(rig).stream()
                        .filter(port -> rig.carries(port.id(), rate))
                        .filter(port -> !rig.carries(port.id(), session.sampleRate()))
                        .count()));
        return more.entrySet().stream()
                .filter(each -> each.getValue() > 0)
                .max(Map.Entry.comparingByKey())
                .map(each -> "At " + PlainNumber.of(each.getKey() / 1000.0) + " kHz there are " + each.getValue()
                        + " more inputs.");
    }
}
