package vividlantern.readiness;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vividlantern.history.Refused;
import vividlantern.patch.FreePorts;
import vividlantern.rig.Rig;
import vividlantern.session.Acknowledgement;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;

/** All rules asked at once. */
public final class Readiness {

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
            new ArmedWithoutInput(),
            new PairSwapped(),
            new LevelDoesNotFit(),
            new GainOutOfRange(),
            new PadMissing(),
            new NamesRepeat(),
            new ClockNotShared(),
            new MixingBuffer(),
            new SpeakersNearMics(),
            new ClickOnSpeakers(),
            new ClickMissing(),
            new VoiceWithoutTrack(),
            new BackingUnheard(),
            new SongWithoutEnd());

    /**
     * A finding, and how it stands.
     *
     * @param acknowledged why it is on purpose; "" while it is open
     */
    public record Standing(Finding finding, String acknowledged) {

        public boolean isOpen() {
            return acknowledged.isEmpty();
        }
    }

    private Readiness() {}

    /** What is found, the gravest rules first. */
    public static List<Finding> findings(Session session, Rig rig, Noted noted) {
        List<Finding> found = new ArrayList<>();
        FreePorts free = new FreePorts(session, rig);
        RULES.forEach(rule -> found.addAll(rule.find(session, rig, free)));
        found.addAll(new SetByHand(noted.turned()).find(session, rig, free));
        found.addAll(new MediaLost(noted.media()).find(session, rig, free));
        found.addAll(new SoundWasMissing(noted.incidents()).find(session, rig, free));
        found.addAll(new HeardLateOrTwice(noted.measured()).find(session, rig, free));
        found.addAll(new LatencyUnproved(noted.measured()).find(session, rig, free));
        return found;
    }

    /**
     * What is found and whether it is on purpose.
     *
     * @param noted what is known beside session and rig
     */
    public static List<Standing> of(Session session, Rig rig, Noted noted) {
        return findings(session, rig, noted).stream()
                .map(finding -> new Standing(finding, acknowledged(session, finding)))
                .toList();
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
            return findings(fixed, rig, noted).stream()
                    .filter(other -> !known.contains(other.key()))
                    .map(Finding::sentence)
                    .toList();
        } catch (Refused refused) {
            return List.of("This would be refused: " + refused.getMessage());
        }
    }
}
