package codrane.app.stage.unlock;

import codrane.app.access.Access;
import codrane.app.access.AskAuthority;
import codrane.app.access.GatewayDesk;
import codrane.app.access.RefusedStored;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Gathering;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.notes.Note;
import codrane.core.access.Authorisation;
import codrane.core.access.KnownAccount;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.Job;
import codrane.core.job.JobAccess;
import codrane.core.job.JobState;
import codrane.core.job.RefusedAct;
import codrane.core.plan.Stage;
import codrane.core.tool.ToolLook;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The room of Unlock. */
@Component
class UnlockRoom implements Room {
    private final Access access;
    private final GatewayDesk gateways;
    private final Interfaces interfaces;
    private final AskAuthority authority;

    UnlockRoom(Access access, GatewayDesk gateways, Interfaces interfaces, AskAuthority authority) {
        this.access = access;
        this.gateways = gateways;
        this.interfaces = interfaces;
        this.authority = authority;
    }

    @Override
    public Stage stage() {
        return Stage.UNLOCK;
    }

    @Override
    public Map<Long, JobAccess> gather(Gathering asked) {
        List<Long> vehicles = asked.jobs().stream()
                .filter(a -> a.pack().hasGateway(a.job().vin()))
                .map(a -> a.job().vehicleId())
                .toList();
        Map<Long, Authorisation> believed = vehicles.isEmpty() ? Map.of() : gateways.believed(vehicles);
        Map<String, KnownAccount> accounts = vehicles.isEmpty() ? Map.of() : access.known();
        return asked.each(a -> known(asked, a, believed, accounts));
    }

    private JobAccess known(
            Gathering asked, Gathering.Asked a, Map<Long, Authorisation> believed, Map<String, KnownAccount> accounts) {
        Optional<ToolLook> tool = interfaces.of(a.pack()).flatMap(BenchInterface::tool);
        if (!a.pack().hasGateway(a.job().vin()))
            return JobAccess.none(asked.now().at()).withTool(tool);
        Optional<Authorisation> open = Optional.ofNullable(believed.get(a.job().vehicleId()));
        return new JobAccess(
                open.<Gateway>map(o -> new Gateway.Authorised(o.until())).orElseGet(Gateway.Locked::new),
                open,
                a.pack().gateway().map(g -> accounts.get(g.authority())),
                tool,
                asked.note(a.job(), RefusedStored.KIND).map(UnlockRoom::refused),
                asked.now().at());
    }

    private static RefusedAct refused(Note.Read<RefusedStored> note) {
        RefusedStored stored = note.content();
        return new RefusedAct(
                Stage.of(stored.stage()).orElse(Stage.RUN), stored.title(), stored.reason(), note.at(), note.who());
    }

    /** An authorisation holds for the vehicle, so for every job on it. */
    @Override
    public Map<Long, ?> moved(List<Job> jobs) {
        Map<Long, Authorisation> believed =
                gateways.believed(jobs.stream().map(Job::vehicleId).toList());
        Map<Long, Object> moved = new HashMap<>();
        for (Job job : jobs) moved.put(job.id(), Optional.ofNullable(believed.get(job.vehicleId())));
        return moved;
    }

    @Override
    public UnlockView view(JobState state, Viewer viewer) {
        if (!state.access().there()) return UnlockView.none();
        boolean asking = authority.look(state.pack().gateway().orElseThrow().authority(), viewer.again());
        return UnlockView.of(
                state, viewer, asking, gateways.ofVehicle(state.job().vehicleId()));
    }
}
