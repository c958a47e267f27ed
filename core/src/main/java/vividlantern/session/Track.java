package vividlantern.session;

import java.util.List;
import java.util.Optional;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * Something that is recorded or played, with its place in the main mix.
 *
 * @param width how many channels it has, 1 to 8
 * @param feeds what feeds it, one entry a channel; empty for a click
 * @param voice the voice of the click it carries, if its role is click
 * @param trim level before the fader, heard by everybody
 * @param soloSafe keeps sounding on the speakers while other tracks are soloed
 */
public record Track(
        TrackId id,
        double position,
        String name,
        Role role,
        int width,
        List<Feed> feeds,
        Optional<VoiceId> voice,
        boolean armed,
        Hear hear,
        Decibels trim,
        boolean polarityFlipped,
        Pan pan,
        Decibels fader,
        boolean muted,
        boolean soloed,
        boolean soloSafe)
        implements Part {

    public static final int MAX_WIDTH = 8;

    public enum Role {
        INPUT,
        CLICK
    }

    public Track {
        feeds = List.copyOf(feeds);
    }

    /** A track as it begins: at 0 dB in the centre, not armed, heard when armed. */
    public static Track forInputs(TrackId id, double position, String name, int width, List<Feed> feeds) {
        return new Track(
                id,
                position,
                name,
                Role.INPUT,
                width,
                feeds,
                Optional.empty(),
                false,
                Hear.ARMED,
                Decibels.ZERO,
                false,
                Pan.CENTRE,
                Decibels.ZERO,
                false,
                false,
                false);
    }

    /** A click track as it begins: heard by those who have a send of it, off on the speakers. */
    public static Track forClick(TrackId id, double position, String name, VoiceId voice) {
        return new Track(
                id,
                position,
                name,
                Role.CLICK,
                1,
                List.of(),
                Optional.of(voice),
                false,
                Hear.ALWAYS,
                Decibels.ZERO,
                false,
                Pan.CENTRE,
                Decibels.OFF,
                false,
                false,
                true);
    }

    public boolean isClick() {
        return role == Role.CLICK;
    }

    public Track named(String v) {
        return new Track(
                id,
                position,
                v,
                role,
                width,
                feeds,
                voice,
                armed,
                hear,
                trim,
                polarityFlipped,
                pan,
                fader,
                muted,
                soloed,
                soloSafe);
    }

    public Track at(double v) {
        return new Track(
                id,
                v,
                name,
                role,
                width,
                feeds,
                voice,
                armed,
                hear,
                trim,
                polarityFlipped,
                pan,
                fader,
                muted,
                soloed,
                soloSafe);
    }

    public Track fedBy(List<Feed> v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                v,
                voice,
                armed,
                hear,
                trim,
                polarityFlipped,
                pan,
                fader,
                muted,
                soloed,
                soloSafe);
    }

    public Track armed(boolean v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                voice,
                v,
                hear,
                trim,
                polarityFlipped,
                pan,
                fader,
                muted,
                soloed,
                soloSafe);
    }

    public Track heard(Hear v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                voice,
                armed,
                v,
                trim,
                polarityFlipped,
                pan,
                fader,
                muted,
                soloed,
                soloSafe);
    }

    public Track trimmed(Decibels v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                voice,
                armed,
                hear,
                v,
                polarityFlipped,
                pan,
                fader,
                muted,
                soloed,
                soloSafe);
    }

    public Track flipped(boolean v) {
        return new Track(
                id, position, name, role, width, feeds, voice, armed, hear, trim, v, pan, fader, muted, soloed,
                soloSafe);
    }

    public Track panned(Pan v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                voice,
                armed,
                hear,
                trim,
                polarityFlipped,
                v,
                fader,
                muted,
                soloed,
                soloSafe);
    }

    public Track faded(Decibels v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                voice,
                armed,
                hear,
                trim,
                polarityFlipped,
                pan,
                v,
                muted,
                soloed,
                soloSafe);
    }

    public Track muted(boolean v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                voice,
                armed,
                hear,
                trim,
                polarityFlipped,
                pan,
                fader,
                v,
                soloed,
                soloSafe);
    }

    public Track soloed(boolean v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                voice,
                armed,
                hear,
                trim,
                polarityFlipped,
                pan,
                fader,
                muted,
                v,
                soloSafe);
    }

    public Track soloSafe(boolean v) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                voice,
                armed,
                hear,
                trim,
                polarityFlipped,
                pan,
                fader,
                muted,
                soloed,
                v);
    }
}
