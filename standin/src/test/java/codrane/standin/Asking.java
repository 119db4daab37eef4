package codrane.standin;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.run.Reply;
import codrane.core.uds.UdsRequest;
import codrane.link.scan.VehicleScanner;
import codrane.standin.module.SimulatedKeys;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.Map;

/** One module of a vehicle in a virtual workshop, asked in hex. */
public final class Asking {
    public final VirtualWorkshop workshop;
    public final PackModule module;

    public Asking(Setup setup, String module) {
        workshop = new VirtualWorkshop(setup);
        this.module = setup.pack().module(module);
    }

    private Asking(VirtualWorkshop workshop, PackModule module) {
        this.workshop = workshop;
        this.module = module;
    }

    /** Another module of the same vehicle. */
    public Asking also(String other) {
        return new Asking(workshop, workshop.vehicle().pack().module(other));
    }

    public Reply ask(Bytes request) {
        return workshop.link().request(module.address(), request, VehicleScanner.waits(module));
    }

    /** The answer as hex: the whole message, {@code 7F…} for a refusal, or {@code silent}. */
    public String ask(String hex) {
        Bytes request = Bytes.parse(hex);
        return switch (ask(request)) {
            case Reply.Positive(Bytes message) -> message.hex();
            case Reply.Refused(var code) -> "7F%02X%02X".formatted(request.u8(0), code.number());
            case Reply.Silent silent -> "silent";
        };
    }

    /** Opens a session and unlocks it. */
    public Asking unlocked(int session) {
        ask(new UdsRequest.DiagnosticSessionControl(session).encode());
        int level = module.session().securityLevel();
        Reply seed = ask(new UdsRequest.RequestSeed(level).encode());
        Bytes key = new SimulatedKeys()
                .keyFor(module, ((Reply.Positive) seed).message().from(2))
                .orElseThrow();
        ask(new UdsRequest.SendKey(level, key).encode());
        return this;
    }

    public void wait(Duration span) {
        workshop.time().advance(span);
    }

    /** What the module holds, seen from inside. */
    public Object look(String what) {
        Map<?, ?> modules = (Map<?, ?>) workshop.vehicle().look().get("modules");
        return ((Map<?, ?>) modules.get(module.id())).get(what);
    }

    /** Codes of the faults that it stores now, seen from inside. */
    public Map<?, ?> faults() {
        return (Map<?, ?>) look("faults");
    }
}
