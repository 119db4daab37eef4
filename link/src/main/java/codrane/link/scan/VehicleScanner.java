package codrane.link.scan;

import codrane.core.coding.Layout;
import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Reply;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.ReadDataByIdentifier;
import codrane.core.uds.UdsRequest.ReportDtcByStatusMask;
import codrane.core.uds.UdsRequest.TesterPresent;
import codrane.core.uds.UdsResponse;
import codrane.core.uds.UdsResponse.DtcAndStatus;
import codrane.link.DiagnosticLink;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** Asks every module of the pack for identification, coding and faults. Only reads; nothing is cleared. */
public final class VehicleScanner {
    private static final int ALL_STATUS = 0xFF;
    private static final int ATTEMPTS = 3;
    private static final int ASKED_SINGLY = 3;

    private final DiagnosticLink link;
    private final Pack pack;

    public VehicleScanner(DiagnosticLink link, Pack pack) {
        this.link = link;
        this.pack = pack;
    }

    /**
     * @param progress told each module's reading when it is complete
     * @throws codrane.link.LinkLostException when the link is gone
     */
    public Map<String, ModuleReading> scan(Consumer<ModuleReading> progress) {
        Map<String, ModuleReading> readings = new LinkedHashMap<>();
        for (PackModule module : pack.modules().values()) {
            ModuleReading reading = read(module);
            readings.put(module.id(), reading);
            progress.accept(reading);
        }
        return readings;
    }

    /** One module's reading. */
    public ModuleReading read(PackModule module) {
        if (greet(module) instanceof Reply.Silent) return ModuleReading.silent(module.id());
        Map<Ident, Bytes> identification = new LinkedHashMap<>();
        for (Ident ident : Ident.values()) {
            boolean has = module.identification().containsKey(ident);
            if (has) data(module, module.did(ident)).ifPresent(octets -> identification.put(ident, octets));
        }
        Map<String, Bytes> coding = new LinkedHashMap<>();
        for (Layout layout : pack.blocksOf(module)) {
            data(module, layout.dataIdentifier()).ifPresent(octets -> coding.put(layout.id(), octets));
        }
        Optional<List<Fault>> faults = faults(module);
        boolean bootOnly = module.flash().isPresent() && !identification.containsKey(Ident.SOFTWARE);
        return new ModuleReading(
                module.id(),
                bootOnly ? Presence.BOOT_ONLY : Presence.ANSWERS,
                identification,
                coding,
                faults.orElse(List.of()),
                faults.isPresent());
    }

    /** The octets under a data identifier, or empty when the module refuses or is silent. */
    public Optional<Bytes> data(PackModule module, int dataIdentifier) {
        return ask(module, new ReadDataByIdentifier(dataIdentifier)) instanceof Reply.Positive positive
                        && positive.response() instanceof UdsResponse.ReadDataByIdentifier(int identifier, Bytes data)
                ? Optional.of(data)
                : Optional.empty();
    }

    private Optional<List<Fault>> faults(PackModule module) {
        return ask(module, new ReportDtcByStatusMask(ALL_STATUS)) instanceof Reply.Positive positive
                        && positive.response()
                                instanceof UdsResponse.ReportDtcByStatusMask(int available, List<DtcAndStatus> faults)
                ? Optional.of(faults.stream()
                        .map(fault -> new Fault(module.id(), new FaultCode(fault.number()), fault.status()))
                        .toList())
                : Optional.empty();
    }

    /**
     * Asks again when nothing comes: one lost frame must not make a module absent, or one without its software. Only
     * what reads is asked again.
     */
    private Reply ask(PackModule module, UdsRequest message) {
        Bytes request = message.encode();
        Reply reply = link.request(module.address(), request, waits(module));
        for (int i = 1; i < ATTEMPTS && reply instanceof Reply.Silent; i++) {
            reply = link.request(module.address(), request, waits(module));
        }
        return reply;
    }

    /**
     * Whether anyone answers at all. With the key off a whole vehicle is silent, and asking each module as often as one
     * that may have missed a frame takes most of a minute. All are asked at once, twice; then the first few singly,
     * since not every vehicle answers what is asked of all.
     *
     * @param modules whose answer is wanted, the surest first
     * @throws codrane.link.LinkLostException when the link is gone
     */
    public boolean anyone(List<PackModule> modules) {
        if (modules.isEmpty()) return false;
        Bytes hello = new TesterPresent().encode();
        for (int i = 0; i < 2; i++)
            if (!link.requestAll(hello, waits(modules.getFirst())).isEmpty()) return true;
        return modules.stream()
                .limit(ASKED_SINGLY)
                .anyMatch(m -> !(link.request(m.address(), hello, waits(m)) instanceof Reply.Silent));
    }

    /** Whether the module answers at all. */
    public Reply greet(PackModule module) {
        return ask(module, new TesterPresent());
    }

    public static Waits waits(PackModule module) {
        return new Waits(module.session().p2(), module.session().p2Star());
    }
}
