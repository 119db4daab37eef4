package codrane.app.web;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** How long what is typed may be, by the field's name: what the forms say, held on the server. */
final class FieldBounds {
    private static final Map<String, Integer> MOST = new HashMap<>();

    static {
        bound(2, "address", "keysAll", "keysHere");
        bound(6, "capacityAh", "celsius", "restVolts", "restedHours", "unitA", "unitVolts");
        bound(9, "mileage");
        bound(10, "until", "due");
        bound(12, "code", "codeAgain", "years");
        bound(20, "software");
        bound(32, "name");
        bound(40, "fitted", "offered", "other", "papersVin", "q", "serial", "tool", "vin");
        bound(60, "line");
        bound(72, "again", "fresh", "password");
        bound(80, "caption", "source", "value", "values", "what");
        bound(120, "about", "wording");
        bound(200, "detail", "note", "ownership", "path", "warning", "why", "username", "old", "to");
        bound(400, "complaint", "earlier", "lights");
        bound(600, "codes");
        bound(20_000, "text", "second");
    }

    private FieldBounds() {}

    private static void bound(int most, String... names) {
        for (String name : List.of(names)) MOST.put(name, most);
    }

    static Optional<Integer> of(String name) {
        return Optional.ofNullable(MOST.get(name));
    }

    /** @return what is wrong, as a sentence */
    static Optional<String> judge(String name, String value) {
        int length = value.replace("\r\n", "\n").length(); // a browser counts a new line once
        return of(name).filter(most -> length > most)
                .map(most -> "At most " + most + " characters can stand there; " + length + " came.");
    }
}
