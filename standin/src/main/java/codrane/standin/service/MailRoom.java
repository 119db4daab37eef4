package codrane.standin.service;

import codrane.core.pack.FileRoute;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** A maker's mail room: letters that ask for calibrations are answered after a while, under their reference. */
final class MailRoom {
    private final List<Pack> packs;
    private final Duration answerAfter;
    private final InstantSource time;
    private final Map<String, Asked> asked = new ConcurrentHashMap<>();

    private record Asked(Pack pack, PackModule module, Instant at) {}

    MailRoom(List<Pack> packs, Duration answerAfter, InstantSource time) {
        this.packs = List.copyOf(packs);
        this.answerAfter = answerAfter;
        this.time = time;
    }

    /** Whether the module's files are sent by mail, and so not downloaded. */
    static boolean sends(PackModule module) {
        return module.software().file().way() == FileRoute.Way.MAIL;
    }

    /** @return why it is sent back, empty when it is taken */
    Optional<String> take(String service, Map<String, String> query) {
        Optional<Pack> pack = packs.stream()
                .filter(p -> p.service().equals(service) && p.id().equals(query.get("pack")))
                .findFirst();
        Optional<PackModule> module = pack.map(p -> p.modules().get(query.getOrDefault("module", "")));
        String reference = query.getOrDefault("reference", "");
        if (module.isEmpty() || !sends(module.get())) return Optional.of("Nothing of this is sent by mail.");
        if (!reference.matches("[A-Z0-9-]{3,40}")) return Optional.of("A letter needs a reference.");
        asked.putIfAbsent(reference, new Asked(pack.get(), module.get(), time.instant()));
        return Optional.empty();
    }

    boolean knows(String reference) {
        return asked.containsKey(reference);
    }

    /** The module whose file is ready for this reference; empty while nobody has looked at the letter. */
    Optional<PackModule> ready(String reference) {
        return Optional.ofNullable(asked.get(reference))
                .filter(a -> !time.instant().isBefore(a.at().plus(answerAfter)))
                .map(Asked::module);
    }

    Optional<Pack> pack(String reference) {
        return Optional.ofNullable(asked.get(reference)).map(Asked::pack);
    }
}
