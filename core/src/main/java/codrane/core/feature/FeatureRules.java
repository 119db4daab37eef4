package codrane.core.feature;

import codrane.core.pack.Feature;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.sat4j.core.VecInt;
import org.sat4j.minisat.SolverFactory;
import org.sat4j.specs.ContradictionException;
import org.sat4j.specs.ISolver;
import org.sat4j.specs.TimeoutException;

/** A pack's equipment as clauses: what needs what, what excludes what, and what would set one thing two ways. */
final class FeatureRules {
    private final Map<String, Integer> numbers = new HashMap<>();
    private final ISolver solver = SolverFactory.newLight();

    FeatureRules(List<Feature> features) {
        for (Feature feature : features) numbers.put(feature.id(), numbers.size() + 1);
        solver.newVar(numbers.size());
        for (Feature feature : features) {
            if (feature.on().isEmpty()) never(number(feature));
            for (String need : feature.needs()) add(-number(feature), numbers.getOrDefault(need, -number(feature)));
            for (Feature other : features)
                if (number(feature) < number(other) && standAgainst(feature, other))
                    add(-number(feature), -number(other));
        }
    }

    /** Whether they, and all that they need, go together. */
    boolean goTogether(Collection<Feature> wanted) {
        try {
            return solver.isSatisfiable(
                    new VecInt(wanted.stream().mapToInt(this::number).toArray()));
        } catch (TimeoutException e) {
            throw new IllegalStateException("The rules of the equipment are not solved in time", e);
        }
    }

    static boolean standAgainst(Feature one, Feature other) {
        return one.excludes().contains(other.id())
                || other.excludes().contains(one.id())
                || one.on().entrySet().stream()
                        .anyMatch(on -> other.on().containsKey(on.getKey())
                                && !on.getValue().equals(other.on().get(on.getKey())));
    }

    private int number(Feature feature) {
        return java.util.Objects.requireNonNull(numbers.get(feature.id()));
    }

    private void never(int feature) {
        add(-feature);
    }

    private void add(int... literals) {
        try {
            solver.addClause(new VecInt(literals));
        } catch (ContradictionException e) {
            throw new IllegalStateException("No single feature can be wanted", e); // every clause holds when nothing is
        }
    }
}
