package codrane.core.scan;

import codrane.core.vin.Vin;
import codrane.core.vin.VinComparison.Held;
import codrane.core.vin.VinComparison.State;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Which vehicle is on the cable, by the VINs that its modules hold. Parts that were replaced have no say. */
public sealed interface WhoAnswers {
    /** Two that agree are enough: nobody fits two modules of one vehicle into another without saying so. */
    int ENOUGH = 2;
    /** So many of one other vehicle outweigh one that agrees. */
    int CLEARLY = 3;

    /** The job's vehicle, or one that holds modules of it and of others. */
    record Ours() implements WhoAnswers {}

    /** @param vin that its modules hold */
    record Another(String vin) implements WhoAnswers {}

    /** No module told a VIN. */
    record NobodySays() implements WhoAnswers {}

    /** @param held what each module that counts holds */
    static WhoAnswers judge(List<Held> held) {
        long agreeing = held.stream().filter(h -> h.state() == State.AGREES).count();
        Map<String, Long> others = held.stream()
                .filter(h -> h.state() == State.DIFFERS)
                .collect(Collectors.groupingBy(Held::text, Collectors.counting()));
        if (agreeing == 0 && others.isEmpty()) return new NobodySays();
        if (agreeing >= ENOUGH || others.isEmpty()) return new Ours();
        Map.Entry<String, Long> most = others.entrySet().stream()
                .max(Map.Entry.<String, Long>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .orElseThrow();
        boolean another = agreeing == 0 || most.getValue() >= CLEARLY;
        return another ? new Another(most.getKey()) : new Ours();
    }

    /** As {@link #judge(List)}, of a whole scan. */
    static WhoAnswers judge(
            codrane.core.pack.Pack pack, Vin plate, Map<String, ModuleReading> readings, String replaced) {
        return judge(AgreementMatrix.compareVins(pack, plate, readings).held().stream()
                .filter(h -> !h.module().equals(replaced))
                .toList());
    }

    /** Whether further answers can't change it. */
    static boolean settled(List<Held> held) {
        long agreeing = held.stream().filter(h -> h.state() == State.AGREES).count();
        long different = held.stream()
                .filter(h -> h.state() == State.DIFFERS)
                .collect(Collectors.groupingBy(Held::text, Collectors.counting()))
                .values()
                .stream()
                .max(Comparator.naturalOrder())
                .orElse(0L);
        return agreeing >= ENOUGH || agreeing == 0 && different >= CLEARLY;
    }
}
