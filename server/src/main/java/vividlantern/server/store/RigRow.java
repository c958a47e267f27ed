package vividlantern.server.store;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.Tie;

/** A rig's row, with its devices, ports, ties and output pairs in tables of their own. */
@Entity
@Table(name = "rig")
class RigRow {

    /** A device's columns. */
    @Embeddable
    record DeviceColumns(
            @Column(name = "id") String id,
            String name,
            @Enumerated(EnumType.STRING) Device.Kind kind,
            double fullScaleDbu,
            int converterIn,
            int driverIn,
            int driverOut,
            int converterOut) {}

    /** A port's columns. */
    @Embeddable
    record PortColumns(
            @Column(name = "id") String id,
            @Column(name = "device_id") String device,
            @Enumerated(EnumType.STRING) Port.Direction direction,
            int number,
            String panelName,
            String houseLabel,
            String takes,
            boolean phantom,
            String bank,
            double gainMinDb,
            double gainMaxDb,
            double gainStepDb,
            boolean remote,
            boolean hidden) {}

    /** A tie's columns. */
    @Embeddable
    record TieColumns(
            @Column(name = "from_port_id") String from,
            @Column(name = "to_port_id") String to) {}

    /** An output pair's columns. */
    @Embeddable
    record PairColumns(
            @Column(name = "id") String id,
            String houseLabel,
            String panelName,
            @Column(name = "left_port_id") String left,
            @Column(name = "right_port_id") String right,
            @Enumerated(EnumType.STRING) StereoPair.Feeds feeds) {}

    @Id
    String id;

    String name;
    double celsius;

    @ElementCollection
    @CollectionTable(name = "device", joinColumns = @JoinColumn(name = "rig_id"))
    @OrderColumn(name = "place")
    List<DeviceColumns> devices = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "port", joinColumns = @JoinColumn(name = "rig_id"))
    @OrderColumn(name = "place")
    List<PortColumns> ports = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "tie", joinColumns = @JoinColumn(name = "rig_id"))
    @OrderColumn(name = "place")
    List<TieColumns> ties = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "output_pair", joinColumns = @JoinColumn(name = "rig_id"))
    @OrderColumn(name = "place")
    List<PairColumns> outputPairs = new ArrayList<>();

    /** A rig's row with its devices and ports, not yet wired. */
    static RigRow of(Rig rig) {
        RigRow row = new RigRow();
        row.id = rig.id().value();
        row.name = rig.name();
        row.celsius = rig.celsius();
        for (Device device : rig.devices()) {
            LatencyProfile latency = device.latency();
            row.devices.add(new DeviceColumns(
                    device.id(),
                    device.name(),
                    device.kind(),
                    device.fullScaleDbu(),
                    latency.converterIn(),
                    latency.driverIn(),
                    latency.driverOut(),
                    latency.converterOut()));
        }
        for (Port port : rig.ports()) {
            row.ports.add(new PortColumns(
                    port.id().value(),
                    port.device(),
                    port.direction(),
                    port.number(),
                    port.panelName(),
                    port.houseLabel(),
                    port.takes().stream().sorted().map(Enum::name).collect(Collectors.joining(",")),
                    port.phantom(),
                    port.bank(),
                    port.gain().minDb(),
                    port.gain().maxDb(),
                    port.gain().stepDb(),
                    port.remote(),
                    port.hidden()));
        }
        return row;
    }

    /** Ties and pairs refer to ports, which must be stored before. */
    void wire(Rig rig) {
        rig.ties()
                .forEach(tie ->
                        ties.add(new TieColumns(tie.from().value(), tie.to().value())));
        rig.outputPairs()
                .forEach(pair -> outputPairs.add(new PairColumns(
                        pair.id().value(),
                        pair.houseLabel(),
                        pair.panelName(),
                        pair.left().value(),
                        pair.right().value(),
                        pair.feeds())));
    }

    Rig rig() {
        return new Rig(
                new RigId(id),
                name,
                celsius,
                devices.stream().map(RigRow::device).toList(),
                ports.stream().map(RigRow::port).toList(),
                ties.stream()
                        .map(tie -> new Tie(new PortId(tie.from()), new PortId(tie.to())))
                        .toList(),
                outputPairs.stream()
                        .map(pair -> new StereoPair(
                                new PairId(pair.id()),
                                pair.houseLabel(),
                                pair.panelName(),
                                new PortId(pair.left()),
                                new PortId(pair.right()),
                                pair.feeds()))
                        .toList());
    }

    private static Device device(DeviceColumns row) {
        return new Device(
                row.id(),
                row.name(),
                row.kind(),
                row.fullScaleDbu(),
                new LatencyProfile(row.converterIn(), row.driverIn(), row.driverOut(), row.converterOut()));
    }

    private static Port port(PortColumns row) {
        return new Port(
                new PortId(row.id()),
                row.device(),
                row.direction(),
                row.number(),
                row.panelName(),
                row.houseLabel(),
                Arrays.stream(row.takes().split(",")).map(Port.Signal::valueOf).collect(Collectors.toSet()),
                row.phantom(),
                row.bank(),
                new Port.GainRange(row.gainMinDb(), row.gainMaxDb(), row.gainStepDb()),
                row.remote(),
                row.hidden());
    }
}
