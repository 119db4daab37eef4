package codrane.app.workshop;

import java.nio.file.Path;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings of one node.
 *
 * @param packs folder of vehicle packs
 * @param var folder for what this node keeps outside the database: its id, its keys
 * @param demo whether the demo world is loaded and the next room can be entered
 * @param workshop its name, as the authorities have it
 * @param zone of its clocks, as "Europe/Lisbon"; empty for that of this computer
 * @param serviceUrl where the makers' services are
 * @param hosts names under which pages may be asked for, besides those of this computer itself
 * @param interfaces those plugged into this node
 */
@ConfigurationProperties("codrane")
public record CodraneSettings(
        Path packs,
        Path var,
        boolean demo,
        String workshop,
        String zone,
        String serviceUrl,
        List<String> hosts,
        List<InterfaceSettings> interfaces) {
    /**
     * @param kind can or doip
     * @param control address of the meter
     * @param driver version that the workshop uses; empty when it needs none
     * @param firmware version that the workshop uses
     * @param serialMask form of its serial numbers
     */
    public record InterfaceSettings(
            String name,
            String kind,
            String host,
            int port,
            String control,
            String serialMask,
            String driver,
            String firmware) {}

    public CodraneSettings {
        zone = zone == null ? "" : zone;
        hosts = hosts == null ? List.of() : List.copyOf(hosts);
        interfaces = interfaces == null ? List.of() : List.copyOf(interfaces);
    }
}
