package vividlantern.engine;

import vividlantern.session.song.TempoCurve;

/**
 * Where the song is.
 *
 * @param beat from 1, with its fraction
 */
public record SongPosition(boolean playing, int bar, double beat, double seconds, double beatsPerMinute) {

    static SongPosition of(Transport transport, long deviceFrame, TempoCurve curve, int sampleRate) {
        double seconds = (double) transport.songFrameAt(deviceFrame) / sampleRate;
        double quarter = curve.quarter(seconds + 0.5 / sampleRate);
        return new SongPosition(
                transport.playing(),
                curve.barAt(quarter),
                curve.beatAt(quarter) + 1,
                seconds,
                curve.beatsPerMinute(quarter));
    }
}
