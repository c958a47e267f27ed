package vividlantern.server.desk;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.engine.Threads;
import vividlantern.media.MediaFolder;
import vividlantern.rig.RigId;
import vividlantern.server.store.Bin;
import vividlantern.server.store.KeptStore;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.Store;
import vividlantern.session.SessionId;
import vividlantern.session.song.MediaId;
import vividlantern.template.TemplateId;

/** Sessions, rigs and templates that are removed: for thirty days they can be taken back, then they go with their sounds. */
@Component
public class BinDesk {

    public static final Duration KEPT = Duration.ofDays(30);

    private static final Logger LOG = LoggerFactory.getLogger(BinDesk.class);
    private static final long LOOK_HOURS = 1;
    /** Between its arrival and the edit that has it played nothing speaks of a sound. */
    private static final Duration ARRIVING = Duration.ofHours(1);

    private final Bin bin;
    private final Store store;
    private final RigStore rigStore;
    private final KeptStore kept;
    private final Desk desk;
    private final RigDesk rigs;
    private final TemplateDesk templates;
    private final MediaDesk media;
    private final ScheduledExecutorService emptying = Executors.newSingleThreadScheduledExecutor(Threads.named("bin"));

    public BinDesk(
            Bin bin,
            Store store,
            RigStore rigStore,
            KeptStore kept,
            Desk desk,
            RigDesk rigs,
            TemplateDesk templates,
            MediaDesk media) {
        this.bin = bin;
        this.store = store;
        this.rigStore = rigStore;
        this.kept = kept;
        this.desk = desk;
        this.rigs = rigs;
        this.templates = templates;
        this.media = media;
        emptying.scheduleWithFixedDelay(this::emptyByItself, LOOK_HOURS, LOOK_HOURS, TimeUnit.HOURS);
    }

    @PreDestroy
    void close() {
        emptying.shutdown();
    }

    /** What can be taken back, what was removed last first. */
    public List<Bin.Removed> all() {
        return bin.all();
    }

    /** Removes a session; whoever calls sees to it that it is not at the rig. */
    public void remove(SessionId id) {
        desk.remove(id, () -> bin.put(Bin.Kind.SESSION, id.value()));
    }

    /** Removes a rig that no session is laid out for; the last one stays. */
    public synchronized void remove(RigId id) {
        String name = rigs.rig(id).name();
        int sessions = store.ofRig(id).size();
        if (sessions > 0) {
            throw new Refused(
                    (sessions == 1 ? "A session is" : sessions + " sessions are") + " laid out for " + name
                            + ". Remove them first, or keep the rig.",
                    "");
        }
        if (rigStore.rigs().size() == 1) {
            throw new Refused(name + " is the last rig, and stays. Describe another one first.", "");
        }
        rigs.remove(id);
    }

    /** Removes a template with all its versions. */
    public void remove(TemplateId id) {
        templates.requireRemovable(id);
        bin.put(Bin.Kind.TEMPLATE, id.value());
        templates.letGo(id);
    }

    /** Takes something back; a session brings its rig along. */
    public synchronized void takeBack(Bin.Kind kind, String id) {
        if (!bin.takeBack(kind, id)) {
            throw notThere(id);
        }
        if (kind == Bin.Kind.SESSION) {
            store.session(new SessionId(id))
                    .ifPresent(session ->
                            bin.takeBack(Bin.Kind.RIG, session.rigId().value()));
        }
    }

    /** Deletes something for good, with the sounds that nothing else speaks of. */
    public synchronized void delete(Bin.Kind kind, String id) {
        Set<MediaId> sounds = kind == Bin.Kind.SESSION ? onlyOf(new SessionId(id)) : Set.of();
        if (kind == Bin.Kind.RIG && !store.allOfRig(new RigId(id)).isEmpty()) {
            throw new Refused("A session in the bin is laid out for this rig. Delete that first.", "");
        }
        if (!bin.delete(kind, id)) {
            throw notThere(id);
        }
        sounds.forEach(media::remove);
    }

    /**
     * The sounds of which nothing speaks any more and that did not come just now, those that came last first; none as long as
     * something cannot be read. Logs and snapshots are gone through only for sounds that no session plays now.
     */
    public synchronized List<MediaFolder.Lying> unusedSounds() {
        Instant latest = Instant.now().minus(ARRIVING);
        List<MediaFolder.Lying> unused = new ArrayList<>(media.all());
        unused.removeIf(each -> each.at().isAfter(latest));
        try {
            Set<MediaId> played = store.soundsNow();
            unused.removeIf(each ->
                    played.contains(each.id()) || kept.anyHolds(each.id().value()));
            for (Iterator<SessionId> all = store.allIds().iterator(); all.hasNext() && !unused.isEmpty(); ) {
                Set<MediaId> spokenOf = store.sounds(all.next());
                unused.removeIf(each -> spokenOf.contains(each.id()));
            }
            return unused;
        } catch (RuntimeException unreadable) {
            LOG.warn("No sound is said to be unused, since not all can be read that may speak of one.", unreadable);
            return List.of();
        }
    }

    /** Deletes a sound of which nothing speaks. */
    public synchronized void deleteSound(MediaId id) {
        if (unusedSounds().stream().noneMatch(each -> each.id().equals(id))) {
            throw new Refused("Something speaks of this sound, or it came just now, so it stays.", "");
        }
        media.remove(id);
    }

    /** The sounds of which a session alone speaks; none as long as another one cannot be read, which may need them. */
    private Set<MediaId> onlyOf(SessionId id) {
        try {
            Set<MediaId> sounds = new HashSet<>(store.sounds(id));
            for (SessionId other : sounds.isEmpty() ? List.<SessionId>of() : store.allIds()) {
                if (!other.equals(id)) {
                    sounds.removeAll(store.sounds(other));
                }
            }
            sounds.removeIf(sound -> kept.anyHolds(sound.value()));
            return sounds;
        } catch (RuntimeException unreadable) {
            LOG.warn("The sounds of {} stay, since not all can be read that may speak of them.", id, unreadable);
            return Set.of();
        }
    }

    /**
     * Deletes for good what was removed before a time: sessions before the rigs that they are laid out for. Something that cannot
     * be deleted keeps nothing else there.
     */
    public void empty(OffsetDateTime removedBefore) {
        Optional<RuntimeException> failed = Optional.empty();
        List<Bin.Removed> old = bin.all().stream()
                .filter(each -> each.at().isBefore(removedBefore))
                .sorted((a, b) -> a.kind().compareTo(b.kind()))
                .toList();
        for (Bin.Removed each : old) {
            try {
                if (each.kind() != Bin.Kind.RIG
                        || store.allOfRig(new RigId(each.id())).isEmpty()) {
                    delete(each.kind(), each.id());
                }
            } catch (RuntimeException fault) {
                failed = Optional.of(fault);
            }
        }
        failed.ifPresent(fault -> {
            throw fault;
        });
    }

    private void emptyByItself() {
        try {
            empty(OffsetDateTime.now().minus(KEPT));
        } catch (RuntimeException fault) {
            LOG.warn("The bin could not be emptied; it is tried again in an hour.", fault);
        }
    }

    private static NotFound notThere(String id) {
        return new NotFound("There is nothing '" + id + "' in the bin.");
    }
}
