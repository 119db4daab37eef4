package codrane.core.pack;

import codrane.core.part.PartNumber;
import codrane.core.part.SerialMask;
import java.time.Duration;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * One module of a vehicle model.
 *
 * @param address diagnostic address, 0..255
 * @param tag three letters, used on line sheets
 * @param identification data identifiers by what they hold
 * @param blocks layout ids of its coding
 * @param live values that it measures
 * @param obd its part in the legislated diagnostics
 */
public record PackModule(
        String id,
        int address,
        String tag,
        String title,
        Traits traits,
        Parts parts,
        Software software,
        Optional<Flash> flash,
        Session session,
        Map<Ident, Integer> identification,
        List<String> blocks,
        List<LiveValue> live,
        List<Adaptation> adaptations,
        Optional<Obd> obd) {
    /** What can be read about a module. */
    public enum Ident {
        VIN("vin", "VIN"),
        PART("part", "Part number"),
        HARDWARE("hardware", "Hardware"),
        SOFTWARE("software", "Software"),
        SERIAL("serial", "Serial number"),
        COUNTER("counter", "Programming counter"),
        PROGRAMMING_DATE("programming-date", "Programmed on"),
        CVN("cvn", "Verification number"),
        TRANSFER_STATE("transfer-state", "Transfer state"),
        /** Of a member of the immobiliser, and its keeper; the pack says it once for all of them. */
        IMMOBILISER("immobiliser", "Immobiliser");

        private final String key;
        private final String title;

        Ident(String key, String title) {
            this.key = key;
            this.title = title;
        }

        public String key() {
            return key;
        }

        public String title() {
            return title;
        }
    }

    /**
     * @param demanding needs the higher voltage window
     * @param looks what a person sees or hears during a write, in words
     * @param uncodedLooks what a person sees while it is not coded
     * @param concerns what can hurt, or is watched by law
     * @param learnsVinFrom the neighbour that tells it its VIN; then no VIN is written by hand
     * @param forgetVin routine that erases VIN and coding, so that it asks the neighbour when it restarts
     * @param licence the form of the codes that are bought for its variants; empty when none are
     * @param turnsKey when it restarts, the vehicle turns its key off by itself for so long, then on; zero when it does not
     */
    public record Traits(
            VinLock vinLock,
            boolean demanding,
            boolean wiredOnly,
            List<String> looks,
            List<String> uncodedLooks,
            Set<Concern> concerns,
            Optional<String> learnsVinFrom,
            Optional<Integer> forgetVin,
            Optional<SerialMask> licence,
            Duration turnsKey) {
        public Traits {
            looks = List.copyOf(looks);
            uncodedLooks = List.copyOf(uncodedLooks);
            concerns = Set.copyOf(concerns);
        }

        /** Whether another VIN can be written over its first one, with the workshop's own means. */
        public boolean vinRewritable() {
            return vinLock == VinLock.REWRITABLE;
        }
    }

    /**
     * @param pattern with the groups base and suffix
     * @param chain suffixes from oldest to newest; may be empty
     * @param fitted number of the part in a vehicle as built; matches the pattern
     * @param years model years for which it is made; empty when the pack names none
     */
    public record Parts(
            Pattern pattern,
            String fitted,
            List<List<String>> interchangeable,
            List<String> chain,
            Optional<Years> years) {
        public Parts {
            interchangeable = interchangeable.stream().map(List::copyOf).toList();
            chain = List.copyOf(chain);
        }

        /** Whether it is for vehicles of a model year; true when the pack names none. */
        public boolean madeFor(int year) {
            return years.map(y -> year >= y.from() && year <= y.to()).orElse(true);
        }

        public PartNumber.Numbering numbering() {
            return new PartNumber.Numbering(pattern, interchangeable, chain);
        }

        /** The fitted number without its last digit: revisions that one calibration serves begin with it. */
        public String family() {
            return fitted.substring(0, fitted.length() - 1);
        }
    }

    /** First and last model year. */
    public record Years(int from, int to) {}

    /**
     * @param current version of a healthy vehicle of the model
     * @param needed least version with which the rest of the vehicle works
     * @param history versions before the current one, the oldest first
     * @param requires least versions of other modules with which the current one works, by module
     * @param file how a calibration is got
     */
    public record Software(
            String current, String needed, List<String> history, Map<String, String> requires, FileRoute file) {
        public Software {
            history = List.copyOf(history);
            requires = Map.copyOf(requires);
        }

        /** All that the pack knows, the oldest first. */
        public List<String> versions() {
            return Stream.concat(history.stream(), Stream.of(current)).toList();
        }
    }

    /** @param length octets */
    public record Range(long start, int length) {}

    /** How an interrupted transfer goes on. */
    public enum Resume {
        FROM_ADDRESS,
        FROM_ERASE
    }

    /**
     * @param version where the image holds its software version, ASCII padded with blanks
     * @param hardware where the image holds the hardware number that it is for
     * @param blockBytes octets of one transfer request, header included, 3..4095 on CAN, 3..65535 on DoIP
     * @param blockSize ISO-TP block size that the module asks for, 0..255
     * @param before what it wants of the vehicle besides the key on and the engine off
     */
    public record Flash(
            Range segment,
            Range version,
            Range hardware,
            Resume resume,
            int blockBytes,
            Duration separationTime,
            int blockSize,
            Duration erase,
            Duration block,
            Duration verify,
            Before before) {
        /** The same memory with so many octets. */
        public Flash withLength(int octets) {
            Range whole = new Range(segment.start(), octets);
            return new Flash(
                    whole,
                    version,
                    hardware,
                    resume,
                    blockBytes,
                    separationTime,
                    blockSize,
                    erase,
                    block,
                    verify,
                    before);
        }
    }

    /**
     * @param needs conditions that the module itself checks, too
     * @param how they are brought about, as a sentence without its end; empty when their names say it
     * @param after what a person does about them when it is written; may be empty
     */
    public record Before(List<VehicleCondition> needs, String how, String after) {
        public Before {
            needs = List.copyOf(needs);
        }
    }

    /**
     * @param programming session number for programming
     * @param extended session number for writing
     * @param securityLevel odd sub-function that asks for a seed
     * @param securityMask parameter of the simulated vehicles' made-up key computation
     */
    public record Session(
            int programming, int extended, Duration p2, Duration p2Star, int securityLevel, long securityMask) {}

    public PackModule {
        identification = Map.copyOf(identification);
        blocks = List.copyOf(blocks);
        live = List.copyOf(live);
        adaptations = List.copyOf(adaptations);
    }

    /** Tells its part in the immobiliser under the identifier, too. */
    PackModule inImmobiliser(int dataIdentifier) {
        Map<Ident, Integer> all = new EnumMap<>(Ident.class);
        all.putAll(identification);
        all.put(Ident.IMMOBILISER, dataIdentifier);
        return with(flash, all);
    }

    PackModule withFlash(Flash other) {
        return with(Optional.of(other), identification);
    }

    private PackModule with(Optional<Flash> other, Map<Ident, Integer> identifiers) {
        return new PackModule(
                id,
                address,
                tag,
                title,
                traits,
                parts,
                software,
                other,
                session,
                identifiers,
                blocks,
                live,
                adaptations,
                obd);
    }

    /** For the middle of a sentence. */
    public String lowerTitle() {
        return title.toLowerCase(java.util.Locale.ROOT);
    }

    /** Whether its title names many: the doors, the brakes. */
    public boolean plural() {
        return title.endsWith("s") && !title.endsWith("ss");
    }

    /** Its own, in the number of its title. */
    public String its() {
        return plural() ? "their" : "its";
    }

    /** @throws IllegalStateException when the pack gives none; the loader insists on those that are needed */
    public int did(Ident ident) {
        Integer did = identification.get(ident);
        if (did == null) throw new IllegalStateException(id + " has no identifier for " + ident.key());
        return did;
    }
}
