package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Channels;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.units.Decibels;

/** Changes of a row of the input list. */
public sealed interface InputEdit extends Edit {

    InputId input();

    /** An edit of fields of one input that is there. */
    sealed interface OfOne extends InputEdit {

        /** The input with the change made. */
        Input of(Input was);

        /** What it does, in the user's words, without the input's name. */
        String words();

        @Override
        default Session applyTo(Session session, Rig rig) {
            Rules.known(session, input());
            return session.change(input(), this::of);
        }

        @Override
        default String summary(Session session, Rig rig) {
            return Rules.name(session, input()) + ": " + words();
        }
    }

    /** Adds a row to the input list. It begins with no port, no mic and no +48 V. */
    record AddInput(InputId input, int number, String source) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(input.value(), session.find(input).isPresent(), "id");
            Rules.freeNumber(session, number);
            return session.plus(Input.of(input, number, Texts.required(source, "An input needs a source.", "source")));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Input " + number + ": " + source + " added";
        }
    }

    /** Takes a row out of the input list; tracks that it fed stay, fed by nothing there. */
    record RemoveInput(InputId input) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, input);
            return session.withInputs(session.inputs().stream()
                            .filter(each -> !each.id().equals(input))
                            .toList())
                    .withTracks(session.tracks().stream()
                            .map(track -> track.fedBy(track.feeds().stream()
                                    .map(feed -> feed.comesFrom(input) ? Feed.NOTHING : feed)
                                    .toList()))
                            .toList())
                    .withoutLostDirect();
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + ": removed";
        }
    }

    /** Gives an input another number, which is its place in the list. */
    record NumberInput(InputId input, int number) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Input was = Rules.known(session, input);
            if (was.number() != number) {
                Rules.freeNumber(session, number);
            }
            return session.change(input, each -> each.numbered(number));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + ": number " + number;
        }
    }

    /** Moves a row of the input list in front of another, or to the end. The numbers that are used stay the same ones. */
    record MoveInput(InputId input, Optional<InputId> before) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Input moved = Rules.known(session, input);
            before.ifPresent(id -> Rules.known(session, id));
            if (before.equals(Optional.of(input))) {
                return session;
            }
            List<Integer> numbers = session.inputs().stream().map(Input::number).toList();
            List<Input> order = new ArrayList<>(session.inputs());
            order.remove(moved);
            int at = before.flatMap(session::find).map(order::indexOf).orElse(order.size());
            order.add(at, moved);
            List<Input> numbered = new ArrayList<>();
            for (int row = 0; row < order.size(); row++) {
                numbered.add(order.get(row).numbered(numbers.get(row)));
            }
            return session.withInputs(numbered);
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + " moved "
                    + before.map(id -> "in front of " + Rules.name(session, id)).orElse("to the end");
        }
    }

    /** Says what makes the sound. */
    record SetInputSource(InputId input, String source) implements OfOne {

        @Override
        public Input of(Input was) {
            String named = Texts.required(source, "An input needs a source.", "source");
            return was.sourced(named);
        }

        @Override
        public String words() {
            return "source " + source;
        }
    }

    /** Says who plays it, or that nobody does. */
    record SetInputPerformer(InputId input, Optional<PerformerId> performer) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, input);
            performer.ifPresent(id -> Rules.known(session, id));
            return session.change(input, each -> each.playedBy(performer));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + ": played by "
                    + performer.map(id -> Rules.name(session, id)).orElse("nobody");
        }
    }

    /** Gives an input a mic or DI of the locker, with the +48 V that it needs or must never have, at mic level. */
    record ChooseMic(InputId input, MicId mic) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, input);
            Mic chosen = rig.mics().stream()
                    .filter(each -> each.id().equals(mic))
                    .findFirst()
                    .orElseThrow(() -> new Refused("There is no mic '" + mic + "' in the locker.", "mic"));
            PhantomWish phantom = switch (chosen.kind().phantom()) {
                case NEEDED -> PhantomWish.ON;
                case DANGEROUS -> PhantomWish.NEVER;
                case INDIFFERENT -> PhantomWish.OFF;
            };
            return session.change(
                    input,
                    each -> each.through(chosen.listed()).powered(phantom).at(Port.Signal.MIC));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + ": " + Rules.name(rig, mic) + " from the locker";
        }
    }

    /**
     * Says which mic or DI box stands there. One that has the name of a mic of the locker is that; what its words say is a ribbon
     * never gets +48 V from now on.
     */
    record SetInputMic(InputId input, String mic) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, input);
            String named = Texts.optional(mic, "mic");
            Optional<Mic> ofTheLocker =
                    rig.mics().stream().filter(each -> each.isCalled(named)).findFirst();
            return ofTheLocker
                    .map(each -> new ChooseMic(input, each.id()).applyTo(session, rig))
                    .orElseGet(() -> session.change(
                            input,
                            each -> rig.isHarmedByPhantom(named)
                                    ? each.through(named).powered(PhantomWish.NEVER)
                                    : each.through(named)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            boolean forbids = rig.isHarmedByPhantom(mic)
                    && session.find(input)
                            .filter(each -> each.phantom() != PhantomWish.NEVER)
                            .isPresent();
            return Rules.name(session, input) + ": mic " + mic + (forbids ? ", never +48 V" : "");
        }
    }

    /** Says what holds the mic. */
    record SetInputStand(InputId input, String stand) implements OfOne {

        @Override
        public Input of(Input was) {
            return was.on(Texts.optional(stand, "stand"));
        }

        @Override
        public String words() {
            return stand.isBlank() ? "no stand" : stand;
        }
    }

    /** Says how long the cable is, in metres up to 500; 0 while nobody has said. */
    record SetInputCable(InputId input, double metres) implements OfOne {

        @Override
        public Input of(Input was) {
            if (!(metres >= 0 && metres <= 500)) {
                throw new Refused("A cable is up to 500 m long; " + metres + " is not.", "metres");
            }
            return was.cabled(metres);
        }

        @Override
        public String words() {
            return "cable of " + metres + " m";
        }
    }

    /** Says where in the room the source stands. */
    record SetInputPlace(InputId input, String place) implements OfOne {

        @Override
        public Input of(Input was) {
            return was.placed(Texts.optional(place, "place"));
        }

        @Override
        public String words() {
            return place.isBlank() ? "no place" : place;
        }
    }

    /** Sets the free words beside an input. */
    record SetInputNotes(InputId input, String notes) implements OfOne {

        @Override
        public Input of(Input was) {
            String words = Texts.optional(notes, "notes");
            return was.noted(words);
        }

        @Override
        public String words() {
            return "notes";
        }
    }

    /**
     * Says how many channels a source has. A patched input that becomes wider takes the ports beside its first one, if
     * nothing is in them; one that becomes narrower lets go of its last ones, and of the tracks that they fed.
     */
    record SetInputWidth(InputId input, int width) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Input was = Rules.known(session, input);
            if (width < 1 || width > Input.MAX_WIDTH) {
                throw new Refused("A source has 1 to " + Input.MAX_WIDTH + " channels.", "width");
            }
            List<PortId> ports = width < was.ports().size()
                    ? was.ports().subList(0, width)
                    : was.isPatched() ? taking(session, rig, was) : was.ports();
            return session.change(input, each -> each.widened(width).patchedTo(ports))
                    .withTracks(session.tracks().stream().map(this::withoutLost).toList());
        }

        private List<PortId> taking(Session session, Rig rig, Input was) {
            List<PortId> run = rig.runFrom(was.ports().get(0), width);
            boolean goesOn = run.size() == width && run.subList(0, was.width()).equals(was.ports());
            boolean open = run.stream()
                    .skip(was.width())
                    .allMatch(port -> rig.port(port).filter(rig::isOpen).isPresent());
            boolean free = session.inputs().stream()
                    .filter(each -> !each.id().equals(input))
                    .flatMap(each -> each.ports().stream())
                    .map(rig::followTies)
                    .noneMatch(run.stream().map(rig::followTies).toList()::contains);
            return goesOn && open && free ? run : was.ports();
        }

        private Track withoutLost(Track fed) {
            List<Feed> kept = fed.feeds().stream()
                    .map(feed -> feed.comesFrom(input) && feed.channel() >= width ? Feed.NOTHING : feed)
                    .toList();
            return fed.fedBy(kept);
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + ": " + Channels.width(width);
        }
    }

    /** Says which ports the input's cables go into, channel by channel; none at all means that it is not patched. */
    record PatchInput(InputId input, List<PortId> ports) implements InputEdit {

        static void requireDifferent(List<PortId> ports) {
            if (new HashSet<>(ports).size() < ports.size()) {
                throw new Refused("Each cable of an input goes into a port of its own.", "ports");
            }
        }

        public PatchInput {
            ports = List.copyOf(ports);
        }

        public PatchInput(InputId input, PortId port) {
            this(input, List.of(port));
        }

        @Override
        public Session applyTo(Session session, Rig rig) {
            Input was = Rules.known(session, input);
            if (ports.size() > was.width()) {
                throw new Refused(
                        "\"" + was.source() + "\" has one cable a channel, " + was.width() + " in all; " + ports.size()
                                + " ports are too many.",
                        "ports");
            }
            requireDifferent(ports);
            ports.forEach(id -> Rules.cablePort(rig, id));
            return session.change(input, each -> each.patchedTo(ports));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + ": " + (ports.isEmpty() ? "not patched" : "into " + rig.labels(ports));
        }
    }

    /** Says whether the port is used as a mic, line or instrument input. */
    record SetInputLevel(InputId input, Port.Signal level) implements OfOne {

        @Override
        public Input of(Input was) {
            if (level == Port.Signal.DIGITAL) {
                throw new Refused("A source comes at mic, line or instrument level.", "level");
            }
            return was.at(level);
        }

        @Override
        public String words() {
            return level.name().toLowerCase(Locale.ROOT) + " level";
        }
    }

    /** Sets the preamp gain that is wanted, in dB from 0 to 80. */
    record SetInputGain(InputId input, Optional<Double> gainDb) implements OfOne {

        public SetInputGain(InputId input, double gainDb) {
            this(input, Optional.of(gainDb));
        }

        @Override
        public Input of(Input was) {
            gainDb.filter(gain -> !(gain >= 0 && gain <= 80)).ifPresent(gain -> {
                throw new Refused("A preamp gain lies between 0 and 80 dB; " + gain + " does not.", "gainDb");
            });
            return was.amplified(gainDb);
        }

        @Override
        public String words() {
            return "gain " + gainDb.map(gain -> Decibels.of(gain).toString()).orElse("not set");
        }
    }

    /** Wants the preamp's pad in or out. */
    record SetInputPad(InputId input, boolean pad) implements OfOne {

        @Override
        public Input of(Input was) {
            return was.padded(pad);
        }

        @Override
        public String words() {
            return "pad " + (pad ? "in" : "out");
        }
    }

    /** Says what the mic or DI box needs of +48 V. */
    record SetInputPhantom(InputId input, PhantomWish phantom) implements OfOne {

        @Override
        public Input of(Input was) {
            return was.powered(phantom);
        }

        @Override
        public String words() {
            return "+48 V " + (phantom == PhantomWish.ON ? "on" : phantom.toString());
        }
    }

    /** Turns an input's polarity over normal in, or back. */
    record SetInputPolarity(InputId input, boolean flipped) implements OfOne {

        @Override
        public Input of(Input was) {
            return was.flipped(flipped);
        }

        @Override
        public String words() {
            return "polarity " + (flipped ? "flipped" : "normal");
        }
    }

    /** Takes an input from every listener, or lets it back; the recording goes on. */
    record CutInput(InputId input, boolean cut) implements InputEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, input);
            return session.change(input, each -> each.cut(cut));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + (cut ? " cut" : " let back");
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Input input, Session session, Rig rig) {
        InputId id = input.id();
        Ids.require(id.value(), "inputs");
        for (Edit edit : List.of(
                new SetInputSource(id, input.source()),
                new SetInputMic(id, input.mic()),
                new SetInputStand(id, input.stand()),
                new SetInputCable(id, input.cableMetres()),
                new SetInputPlace(id, input.place()),
                new SetInputNotes(id, input.notes()),
                new SetInputLevel(id, input.level()),
                new SetInputGain(id, input.gainDb()),
                new SetInputPerformer(id, input.performer()))) {
            edit.applyTo(session, rig);
        }
        if (input.number() < 1 || input.number() > Input.HIGHEST_NUMBER) {
            throw new Refused("Inputs are numbered from 1 to " + Input.HIGHEST_NUMBER + ".", "inputs");
        }
        if (input.width() < 1
                || input.width() > Input.MAX_WIDTH
                || input.ports().size() > input.width()) {
            throw new Refused("\"" + input.source() + "\" has 1 to 8 channels and at most a port for each.", "inputs");
        }
        PatchInput.requireDifferent(input.ports());
        Rules.requireDifferent(session.inputs(), Input::number, input, "inputs have the same number");
    }
}
