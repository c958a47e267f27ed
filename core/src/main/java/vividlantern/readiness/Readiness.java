package vividlantern.readiness;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.chains.GateStaysShut;
import vividlantern.readiness.chains.PrintClips;
import vividlantern.readiness.cues.CueTooHigh;
import vividlantern.readiness.cues.CueUnguarded;
import vividlantern.readiness.cues.CueWithoutOutput;
import vividlantern.readiness.cues.HearsNotThemselves;
import vividlantern.readiness.cues.OutletUnconfirmed;
import vividlantern.readiness.cues.OutputShared;
import vividlantern.readiness.cues.PerformerWithoutCue;
import vividlantern.readiness.cues.PluggedElsewhere;
import vividlantern.readiness.cues.SendFollowsSpeakers;
import vividlantern.readiness.cues.SpillIntoMic;
import vividlantern.readiness.cues.TooLoudAtEars;
import vividlantern.readiness.monitoring.HeardLateOrTwice;
import vividlantern.readiness.monitoring.HeardTwice;
import vividlantern.readiness.monitoring.LatencyUnproved;
import vividlantern.readiness.monitoring.MainWithoutSpeakers;
import vividlantern.readiness.monitoring.MixingBuffer;
import vividlantern.readiness.monitoring.NothingComesOut;
import vividlantern.readiness.monitoring.SpeakersNearMics;
import vividlantern.readiness.ports.ArmedWithoutInput;
import vividlantern.readiness.ports.ChannelsGone;
import vividlantern.readiness.ports.ClockNotShared;
import vividlantern.readiness.ports.HiddenPort;
import vividlantern.readiness.ports.InputWithoutPort;
import vividlantern.readiness.ports.InputWithoutTrack;
import vividlantern.readiness.ports.LostPort;
import vividlantern.readiness.ports.NamesRepeat;
import vividlantern.readiness.ports.NothingArmed;
import vividlantern.readiness.ports.PairSwapped;
import vividlantern.readiness.ports.PortTwice;
import vividlantern.readiness.ports.RecordedTwice;
import vividlantern.readiness.preamps.GainOutOfRange;
import vividlantern.readiness.preamps.LevelDoesNotFit;
import vividlantern.readiness.preamps.PadMissing;
import vividlantern.readiness.preamps.PeakOffAim;
import vividlantern.readiness.preamps.PhantomMissing;
import vividlantern.readiness.preamps.PhantomOfABank;
import vividlantern.readiness.preamps.RibbonBehindPhantom;
import vividlantern.readiness.preamps.SetByHand;
import vividlantern.readiness.song.BackingUnheard;
import vividlantern.readiness.song.ClickMissing;
import vividlantern.readiness.song.ClickOnSpeakers;
import vividlantern.readiness.song.MediaLost;
import vividlantern.readiness.song.SongWithoutEnd;
import vividlantern.readiness.song.SoundWasMissing;
import vividlantern.readiness.song.VoiceWithoutTrack;
import vividlantern.rig.Rig;
import vividlantern.session.Acknowledgement;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;

/** All rules asked at once. */
public final class Readiness {

    /** From so many findings of one rule on they are told together. */
    private static final int MANY = 4;

    private static final List<Rule> RULES = List.of(
            new RibbonBehindPhantom(),
            new PhantomMissing(),
            new PhantomOfABank(),
            new LostPort(),
            new ChannelsGone(),
            new HiddenPort(),
            new MainWithoutSpeakers(),
            new PortTwice(),
            new RecordedTwice(),
            new HeardTwice(),
            new InputWithoutPort(),
            new InputWithoutTrack(),
            new NothingArmed(),
            new ArmedWithoutInput(),
            new PairSwapped(),
            new LevelDoesNotFit(),
            new GainOutOfRange(),
            new PadMissing(),
            new NamesRepeat(),
            new ClockNotShared(),
            new MixingBuffer(),
            new SpeakersNearMics(),
            new NothingComesOut(),
            new CueUnguarded(),
            new CueWithoutOutput(),
            new PerformerWithoutCue(),
            new HearsNotThemselves(),
            new OutputShared(),
            new PluggedElsewhere(),
            new SendFollowsSpeakers(),
            new ClickOnSpeakers(),
            new ClickMissing(),
            new VoiceWithoutTrack(),
            new BackingUnheard(),
            new SongWithoutEnd());

    /**
     * A finding, and how it stands.
     *
     * @param acknowledged why it is on purpose; "" while it is open
     * @param among what it and many others of its kind come to, in a sentence; "" if it stands alone
     */
    public record Standing(Finding finding, String acknowledged, String among) {

        public boolean isOpen() {
            return acknowledged.isEmpty();
        }
    }

    private Readiness() {}

    /** The rules, the gravest first: what was missing already, then what will be. */
    private static Stream<Rule> rules(Noted noted) {
        return Stream.of(
                        Stream.of(new SoundWasMissing(noted)),
                        RULES.stream(),
                        Stream.of(
                                new SetByHand(noted.turned()),
                                new CueTooHigh(noted.heard()),
                                new TooLoudAtEars(noted.atEars(), noted.outlets()),
                                SpillIntoMic.ofTheMix(noted.atEars(), noted.played(), noted.outlets()),
                                SpillIntoMic.ofTheClick(noted.clicks(), noted.played(), noted.outlets()),
                                new OutletUnconfirmed(noted.outlets()),
                                new PeakOffAim(noted.played()),
                                new GateStaysShut(noted.played()),
                                new PrintClips(noted.played(), noted.printed()),
                                new MediaLost(noted.media()),
                                new HeardLateOrTwice(noted),
                                new LatencyUnproved(noted.measured())))
                .flatMap(each -> each);
    }

    /** What is found, the gravest rules first. */
    public static List<Finding> findings(Session session, Rig rig, Noted noted) {
        FreePorts free = new FreePorts(session, rig);
        return rules(noted)
                .flatMap(rule -> rule.find(session, rig, free).stream())
                .toList();
    }

    /**
     * What is found and whether it is on purpose.
     *
     * @param noted what is known beside session and rig
     */
    public static List<Standing> of(Session session, Rig rig, Noted noted) {
        FreePorts free = new FreePorts(session, rig);
        return rules(noted)
                .flatMap(rule -> standing(rule, rule.find(session, rig, free), session))
                .toList();
    }

    private static Stream<Standing> standing(Rule rule, List<Finding> found, Session session) {
        int open = (int) found.stream()
                .filter(finding -> acknowledged(session, finding).isEmpty())
                .count();
        String together = open < MANY ? "" : rule.together(open);
        return found.stream().map(finding -> {
            String acknowledged = acknowledged(session, finding);
            return new Standing(finding, acknowledged, acknowledged.isEmpty() ? together : "");
        });
    }

    /** What else would be found once a finding's fix is made: it is tried out on a copy. Nothing if there is no such finding. */
    public static List<String> then(Session session, Rig rig, Noted noted, String key) {
        List<Finding> found = findings(session, rig, noted);
        Set<String> known = new HashSet<>();
        found.forEach(finding -> known.add(finding.key()));
        return found.stream()
                .filter(finding -> finding.key().equals(key))
                .findFirst()
                .map(finding -> then(session, rig, noted, finding, known))
                .orElse(List.of());
    }

    /**
     * The edits that end a finding and all open ones of its kind that have the same way out. Each is made on what the ones before it
     * left, so that no two take the same port or the same name; one that would be refused then is left out.
     *
     * @param key of one of them
     */
    public static List<Edit> together(Session session, Rig rig, Noted noted, String key) {
        return rules(noted)
                .filter(rule ->
                        found(rule, session, rig).anyMatch(each -> each.key().equals(key)))
                .findFirst()
                .map(rule -> together(rule, session, rig, key))
                .orElse(List.of());
    }

    private static List<Edit> together(Rule rule, Session session, Rig rig, String key) {
        Optional<String> wayOut = found(rule, session, rig)
                .filter(each -> each.key().equals(key))
                .findFirst()
                .flatMap(Finding::fix)
                .map(Finding.Fix::way);
        List<Edit> edits = new ArrayList<>();
        Set<String> tried = new HashSet<>();
        Session now = session;
        Optional<Finding> next = wayOut.flatMap(way -> next(rule, session, rig, way, tried));
        while (next.isPresent()) {
            tried.add(next.get().key());
            List<Edit> fix = next.get().fix().orElseThrow().edits();
            try {
                now = Edit.applyAll(fix, now, rig);
                edits.addAll(fix);
            } catch (Refused refused) {
                // it stands as it did, and is told again
            }
            next = next(rule, now, rig, wayOut.get(), tried);
        }
        return edits;
    }

    private static Optional<Finding> next(Rule rule, Session session, Rig rig, String wayOut, Set<String> tried) {
        return found(rule, session, rig)
                .filter(each -> acknowledged(session, each).isEmpty() && !tried.contains(each.key()))
                .filter(each -> each.fix().map(Finding.Fix::way).equals(Optional.of(wayOut)))
                .findFirst();
    }

    private static Stream<Finding> found(Rule rule, Session session, Rig rig) {
        return rule.find(session, rig, new FreePorts(session, rig)).stream();
    }

    /** What a session lost when its rig changed. */
    public static List<Finding> losses(Session session, Rig rig) {
        return new LostPort().find(session, rig, new FreePorts(session, rig));
    }

    private static String acknowledged(Session session, Finding finding) {
        return session.acknowledgements().stream()
                .filter(each -> each.key().equals(finding.key()))
                .map(Acknowledgement::reason)
                .findFirst()
                .orElse("");
    }

    private static List<String> then(Session session, Rig rig, Noted noted, Finding finding, Set<String> known) {
        Optional<List<Edit>> edits = finding.fix().map(Finding.Fix::edits);
        if (edits.isEmpty()) {
            return List.of();
        }
        try {
            Session fixed = Edit.applyAll(edits.get(), session, rig);
            return findings(fixed, rig, noted.onceIs(session, fixed)).stream()
                    .filter(other -> !known.contains(other.key()))
                    .map(Finding::sentence)
                    .toList();
        } catch (Refused refused) {
            return List.of("This would be refused: " + refused.getMessage());
        }
    }
}
