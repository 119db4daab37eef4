package codrane.standin.service;

import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What an authority knows of one workshop. */
final class WorkshopFile {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final Duration YEAR = Duration.ofDays(365);

    private final String name;
    private final String mail;
    private final String owner;
    private final String code = "%06d".formatted(RANDOM.nextInt(1_000_000));
    private final Set<String> technicians = new LinkedHashSet<>();
    private final Map<String, String> tools = new LinkedHashMap<>();
    private boolean confirmed;
    private Optional<Plan> plan = Optional.empty();
    private Instant checkedAt = Instant.MAX;
    private Instant planUntil = Instant.MAX;

    /** @param tools that may be registered */
    record Plan(String id, String title, int tools, int crowns) {
        static final Plan THREE = new Plan("three", "Three tools, one year", 3, 620);
        static final Plan ONE = new Plan("one", "One tool, one year", 1, 280);

        static List<Plan> all() {
            return List.of(ONE, THREE);
        }
    }

    private WorkshopFile(String name, String mail, String owner) {
        this.name = name;
        this.mail = mail;
        this.owner = owner;
    }

    static WorkshopFile opened(String name, String mail, String owner) {
        return new WorkshopFile(name, mail, owner);
    }

    /** One that was checked long ago. */
    static WorkshopFile checked(String name, String mail, String owner, Plan plan) {
        WorkshopFile file = new WorkshopFile(name, mail, owner);
        file.confirmed = true;
        file.plan = Optional.of(plan);
        file.checkedAt = Instant.MIN;
        return file;
    }

    String name() {
        return name;
    }

    String code() {
        return code;
    }

    Set<String> technicians() {
        return technicians;
    }

    Map<String, String> tools() {
        return tools;
    }

    /** @return why not, as a sentence */
    Optional<String> confirm(String typed) {
        if (!typed.equals(code)) return Optional.of("This is not the code of the mail.");
        confirmed = true;
        return Optional.empty();
    }

    Optional<String> take(String id, Instant checkEnds) {
        if (!confirmed) return Optional.of("Confirm the mail first.");
        Optional<Plan> wanted =
                Plan.all().stream().filter(p -> p.id().equals(id)).findFirst();
        if (wanted.isEmpty()) return Optional.of("There is no such plan.");
        if (wanted.get().tools() < tools.size()) return Optional.of("More tools are registered than this plan allows.");
        if (plan.isEmpty()) checkedAt = checkEnds;
        plan = wanted;
        planUntil = checkEnds.plus(YEAR);
        return Optional.empty();
    }

    /** For tests and the next room. */
    void endPlan(Instant now) {
        planUntil = now;
    }

    Optional<String> addTechnician(String who) {
        if (plan.isEmpty()) return Optional.of("Take a plan first.");
        if (who.isEmpty() || who.length() > 60) return Optional.of("A technician's name is needed.");
        technicians.add(who);
        return Optional.empty();
    }

    Optional<String> addTool(String model, String serial, Instant now) {
        if (plan.isEmpty() || now.isBefore(checkedAt)) return Optional.of("The workshop is not checked yet.");
        if (serial.isEmpty() || serial.length() > 40) return Optional.of("A serial number is needed.");
        if (!tools.containsKey(serial) && tools.size() >= plan.get().tools())
            return Optional.of("The plan allows " + plan.get().tools() + " tools, and so many are registered.");
        tools.put(serial, model);
        return Optional.empty();
    }

    Optional<String> removeTool(String serial) {
        return tools.remove(serial) == null ? Optional.of("This tool is not registered.") : Optional.empty();
    }

    /** Why this technician gets no grant with this tool now. */
    Optional<String> refusal(String technician, String serial, Instant now) {
        if (!confirmed) return Optional.of("The workshop's mail is not confirmed.");
        if (plan.isEmpty()) return Optional.of("The workshop has no plan.");
        if (!now.isBefore(planUntil)) return Optional.of("The workshop's plan has ended.");
        if (now.isBefore(checkedAt)) return Optional.of("The workshop is still being checked.");
        if (!technicians.contains(technician))
            return Optional.of(technician + " is not a technician of this workshop.");
        return tools.containsKey(serial) ? Optional.empty() : Optional.of("The tool " + serial + " is not registered.");
    }

    Map<String, Object> look(Instant now) {
        Map<String, Object> look = new LinkedHashMap<>();
        look.put("workshop", name);
        look.put("mail", mail);
        look.put("owner", owner);
        look.put("mailConfirmed", confirmed);
        look.put("plan", plan.map(Plan::id).orElse(""));
        look.put("planTitle", plan.map(Plan::title).orElse(""));
        look.put("planUntil", planUntil.equals(Instant.MAX) ? "" : planUntil.toString());
        look.put("toolLimit", plan.map(Plan::tools).orElse(0));
        boolean waits = plan.isPresent() && now.isBefore(checkedAt);
        look.put("checkedAt", waits ? checkedAt.toString() : "");
        look.put("checked", plan.isPresent() && !waits);
        look.put("technicians", List.copyOf(technicians));
        look.put("tools", new LinkedHashMap<>(tools));
        return look;
    }
}
