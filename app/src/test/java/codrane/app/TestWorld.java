package codrane.app;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackResult;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** What tests of the application share: the stand-ins over sockets, a fresh database, and a look into the vehicle. */
public final class TestWorld {
    static final Path ROOT = Path.of("").toAbsolutePath().getParent();
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int DELIVERY = 40_000_000;
    private static final Duration CHECK = Duration.ofSeconds(2);

    /** To read one takes longer than most tests. */
    private static final Map<String, Pack> READ = new ConcurrentHashMap<>();

    private TestWorld() {}

    public static Pack pack(String id) {
        return READ.computeIfAbsent(id, TestWorld::read);
    }

    private static Pack read(String id) {
        try {
            return ((PackResult.Loaded) PackLoader.load(id, Files.readString(ROOT.resolve("packs/" + id + ".yaml"))))
                    .pack();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** One vehicle on CAN, on free ports, its work twenty times faster. */
    static StandinWorld with(Setup vehicle) throws IOException {
        StandinWorld.Stock stock = new StandinWorld.Stock(
                List.of(vehicle), List.of(Conditions.standard(pack("tolvane-wisp"))), Duration.ofSeconds(1));
        return new StandinWorld(stock, StandinWorld.Ports.FREE, 20, DELIVERY);
    }

    /** The demo's vehicles, on free ports, their work so many times faster. */
    static StandinWorld standins(boolean usedBody, int speed) throws IOException {
        Pack lorne = pack("brennick-lorne");
        StandinWorld.Stock stock = new StandinWorld.Stock(
                List.of(usedBody ? Conditions.usedBody(lorne) : Conditions.usedTailLift(lorne), almery(), dunlin()),
                List.of(Conditions.standard(pack("tolvane-wisp")), gannet()),
                CHECK);
        return new StandinWorld(stock, StandinWorld.Ports.FREE, speed, DELIVERY);
    }

    private static Setup almery() {
        return Conditions.lockedAlmery(pack("brennick-almery"));
    }

    private static Setup dunlin() {
        return Setup.healthy(pack("peregil-dunlin"), Conditions.DUNLIN);
    }

    private static Setup gannet() {
        return Setup.healthy(pack("ardwyn-gannet"), Conditions.GANNET);
    }

    /** Settings that point the application to the stand-ins and to a database of its own. */
    static List<String> settings(StandinWorld world, TestDatabase.Database database, Path var) {
        StandinWorld.Ports ports = world.ports();
        return List.of(
                "spring.datasource.url=" + database.url(),
                "spring.datasource.username=" + database.user(),
                "spring.datasource.password=" + database.password(),
                "codrane.packs=" + ROOT.resolve("packs"),
                "codrane.var=" + var,
                "codrane.demo=true",
                "codrane.service-url=http://127.0.0.1:" + ports.service(),
                "codrane.interfaces[0].name=Plover",
                "codrane.interfaces[0].kind=can",
                "codrane.interfaces[0].host=127.0.0.1",
                "codrane.interfaces[0].port=" + ports.can(),
                "codrane.interfaces[0].control=http://127.0.0.1:" + ports.canControl(),
                "codrane.interfaces[0].serial-mask=PLV2-999999",
                "codrane.interfaces[0].driver=2.8",
                "codrane.interfaces[0].firmware=4.2",
                "codrane.interfaces[1].driver=",
                "codrane.interfaces[1].firmware=1.9",
                "codrane.interfaces[1].name=Dunnock",
                "codrane.interfaces[1].serial-mask=DNK-9999-AA",
                "codrane.interfaces[1].kind=doip",
                "codrane.interfaces[1].host=127.0.0.1",
                "codrane.interfaces[1].port=" + ports.doip(),
                "codrane.interfaces[1].control=http://127.0.0.1:" + ports.doipControl());
    }

    /** What the vehicle on CAN holds, seen from inside. */
    static JsonNode look(StandinWorld world) {
        return control(HttpRequest.newBuilder(uri(world, "/look")).GET().build());
    }

    static JsonNode act(StandinWorld world, String path) {
        return control(HttpRequest.newBuilder(uri(world, path))
                .POST(HttpRequest.BodyPublishers.noBody())
                .build());
    }

    /** Plugs the pass-through interface into the vehicle with this VIN. */
    static void plug(StandinWorld world, codrane.core.vin.Vin vin) {
        act(world, "/plug/" + vin.text());
    }

    /** Nothing of what one class of tests did to vehicles and authorities is left for the next. */
    static void asAtFirst(RunningApp.App app) {
        act(app.world(), "/renew");
        actDoip(app.world(), "/renew");
        authority(app.world(), "brennick-trade-desk", "right?reset=yes");
        authority(app.world(), "tolvane-signing-office", "right?reset=yes&grant-seconds=3600");
        app.bean(org.springframework.jdbc.core.simple.JdbcClient.class)
                .sql("delete from authorisation")
                .update();
    }

    /** Locks the gateways of both vehicles, and forgets what was authorised: other tests share them. */
    static void lockGateways(RunningApp.App app) {
        act(app.world(), "/gateway/locked");
        actDoip(app.world(), "/gateway/locked");
        app.bean(org.springframework.jdbc.core.simple.JdbcClient.class)
                .sql("delete from authorisation")
                .update();
    }

    /** Posts to the makers' services. */
    static void service(StandinWorld world, String path) {
        control(HttpRequest.newBuilder(
                        URI.create("http://127.0.0.1:" + world.ports().service() + path))
                .POST(HttpRequest.BodyPublishers.noBody())
                .build());
    }

    /** Makes an authority answer rightly, lie, or not answer. */
    static void authority(StandinWorld world, String authority, String mode) {
        control(HttpRequest.newBuilder(URI.create(
                        "http://127.0.0.1:" + world.ports().service() + "/authority/" + authority + "/mode/" + mode))
                .POST(HttpRequest.BodyPublishers.noBody())
                .build());
    }

    /** What the vehicle on DoIP holds, seen from inside. */
    static JsonNode lookDoip(StandinWorld world) {
        return control(HttpRequest.newBuilder(uriDoip(world, "/look")).GET().build());
    }

    static JsonNode actDoip(StandinWorld world, String path) {
        return control(HttpRequest.newBuilder(uriDoip(world, path))
                .POST(HttpRequest.BodyPublishers.noBody())
                .build());
    }

    private static URI uriDoip(StandinWorld world, String path) {
        return URI.create("http://127.0.0.1:" + world.ports().doipControl() + path);
    }

    private static URI uri(StandinWorld world, String path) {
        return URI.create("http://127.0.0.1:" + world.ports().canControl() + path);
    }

    private static JsonNode control(HttpRequest request) {
        try {
            return JSON.readTree(
                    HTTP.send(request, HttpResponse.BodyHandlers.ofString()).body());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
