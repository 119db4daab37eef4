package codrane.core.baseline;

import codrane.core.baseline.BaselineFile.Block;
import codrane.core.baseline.BaselineFile.Module;
import codrane.core.octets.Bytes;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Whether raw blocks of a baseline may be written back: into the same module with the same software only. */
public sealed interface Restore {
    /** @param blocks those that differ now, by layout */
    record Possible(Map<String, Bytes> blocks) implements Restore {
        public Possible {
            blocks = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(blocks));
        }
    }

    /** @param reason as a sentence */
    record Refused(String reason) implements Restore {}

    /** What must be the same, as the identification has it. */
    List<String> SAME = List.of("serial", "hardware", "software");

    static Restore judge(BaselineFile baseline, BaselineFile now, String moduleId) {
        if (!baseline.vin().equals(now.vin()))
            return new Refused("The baseline is of another vehicle, " + baseline.vin() + ".");
        Optional<Module> was = baseline.module(moduleId);
        Optional<Module> is = now.module(moduleId);
        if (was.isEmpty() || is.isEmpty()) return new Refused("The module is not in both baselines.");
        for (String what : SAME) {
            String then = was.get().identification().getOrDefault(what, "");
            String today = is.get().identification().getOrDefault(what, "");
            if (then.isEmpty() || !then.equals(today))
                return new Refused("Raw blocks go back into the same module with the same software only: its " + what
                        + " was \"" + then + "\" and is \"" + today + "\". Put single settings back instead.");
        }
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        for (Block block : was.get().coding()) {
            boolean differs = is.get().coding().stream()
                    .noneMatch(b -> b.id().equals(block.id()) && b.raw().equals(block.raw()));
            if (differs) blocks.put(block.id(), block.raw());
        }
        return new Possible(blocks);
    }
}
