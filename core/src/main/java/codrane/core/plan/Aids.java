package codrane.core.plan;

import codrane.core.pack.CodingSource;
import java.util.Optional;
import java.util.Set;

/**
 * What is at hand for a job, and what somebody found out.
 *
 * @param sources of coding that are here
 * @param wording of the service information, as typed or pasted; may be empty
 * @param content whether the module's software is the maker's
 * @param settled what was tried already to calm the vehicle down; messages stayed all the same
 * @param said what people answered
 * @param place who works, with what, and in what state things are
 */
public record Aids(
        Set<CodingSource> sources,
        Optional<Keys> keys,
        String wording,
        Content content,
        Set<Settling> settled,
        Said said,
        Workplace place) {
    public static final Aids NONE =
            new Aids(Set.of(), Optional.empty(), "", Content.UNKNOWN, Set.of(), Said.NOTHING, Workplace.UNKNOWN);

    /**
     * @param known how many the vehicle is known to have, 0..20
     * @param here how many are here
     */
    public record Keys(int known, int here) {}

    /** What the verification number says about a module's software. */
    public enum Content {
        UNKNOWN,
        STOCK,
        ALTERED
    }

    /** Ways to calm a vehicle down, the least invasive first. */
    public enum Settling {
        SLEEP(Operation.Kind.SLEEP),
        RELEARN(Operation.Kind.RELEARN),
        RESET(Operation.Kind.RESET),
        BATTERY_OFF(Operation.Kind.BATTERY_OFF);

        private final Operation.Kind kind;

        Settling(Operation.Kind kind) {
            this.kind = kind;
        }

        public Operation.Kind kind() {
            return kind;
        }
    }

    public Aids {
        sources = Set.copyOf(sources);
        settled = Set.copyOf(settled);
    }

    public Aids with(Keys here) {
        return new Aids(sources, Optional.of(here), wording, content, settled, said, place);
    }

    public Aids withWording(String text) {
        return new Aids(sources, keys, text, content, settled, said, place);
    }

    public Aids with(Content found) {
        return new Aids(sources, keys, wording, found, settled, said, place);
    }

    public Aids withSources(Set<CodingSource> here) {
        return new Aids(here, keys, wording, content, settled, said, place);
    }

    public Aids withSettled(Set<Settling> tried) {
        return new Aids(sources, keys, wording, content, tried, said, place);
    }

    public Aids with(Said other) {
        return new Aids(sources, keys, wording, content, settled, other, place);
    }

    public Aids with(Workplace other) {
        return new Aids(sources, keys, wording, content, settled, said, other);
    }
}
