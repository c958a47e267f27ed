package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import vividlantern.rig.Amp;
import vividlantern.rig.Device;
import vividlantern.rig.Driver;
import vividlantern.rig.LatencyProfile;

/** A device's row. */
@Entity
@Table(name = "device")
class DeviceRow {

    @EmbeddedId
    RigPartId key;

    double position;
    String name;

    @Enumerated(EnumType.STRING)
    Device.Kind kind;

    double fullScaleDbu;
    int converterIn;
    int driverIn;
    int driverOut;
    int converterOut;

    @Enumerated(EnumType.STRING)
    Device.Clock clock;

    double driftPpm;
    boolean retired;

    boolean driven;
    String sampleRates;
    String buffers;
    boolean directMonitoring;

    Double ampGainDb;
    Double ampOutputOhms;
    Double ampMostVolts;

    static DeviceRow of(String rig, Device device) {
        DeviceRow row = new DeviceRow();
        row.key = new RigPartId(rig, device.id());
        row.position = device.position();
        row.name = device.name();
        row.kind = device.kind();
        row.fullScaleDbu = device.fullScaleDbu();
        row.converterIn = device.latency().converterIn();
        row.driverIn = device.latency().driverIn();
        row.driverOut = device.latency().driverOut();
        row.converterOut = device.latency().converterOut();
        row.clock = device.clock();
        row.driftPpm = device.driftPpm();
        row.retired = device.retired();
        row.driven = device.driver().isPresent();
        Driver driver = device.driver().orElse(Driver.USUAL);
        row.sampleRates = words(driver.sampleRates());
        row.buffers = words(driver.bufferFrames());
        row.directMonitoring = driver.directMonitoring();
        row.ampGainDb = device.amp().map(Amp::gainDb).orElse(null);
        row.ampOutputOhms = device.amp().map(Amp::outputOhms).orElse(null);
        row.ampMostVolts = device.amp().map(Amp::mostVolts).orElse(null);
        return row;
    }

    Device part() {
        LatencyProfile latency = new LatencyProfile(converterIn, driverIn, driverOut, converterOut);
        return new Device(
                key.id(), position, name, kind, fullScaleDbu, latency, clock, driftPpm, retired, driver(), amp());
    }

    private Optional<Amp> amp() {
        return ampGainDb == null ? Optional.empty() : Optional.of(new Amp(ampGainDb, ampOutputOhms, ampMostVolts));
    }

    private Optional<Driver> driver() {
        return driven
                ? Optional.of(new Driver(numbers(sampleRates), numbers(buffers), directMonitoring))
                : Optional.empty();
    }

    private static String words(List<Integer> numbers) {
        return numbers.stream().map(String::valueOf).collect(Collectors.joining(","));
    }

    private static List<Integer> numbers(String words) {
        return Arrays.stream(words.split(",")).map(Integer::valueOf).toList();
    }
}
