package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Equipment;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Pack;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine.Parameters;

/** A command about a vehicle order: {@code PACK CODES}. */
abstract class OrderCommand extends Asked {
    @Parameters(index = "0", paramLabel = "PACK")
    private String packName;

    @Parameters(index = "1", paramLabel = "CODES", description = "option codes, with commas or blanks between them")
    private String codes;

    final Pack pack() throws IOException {
        Pack pack = PackFiles.named(packName);
        if (pack.equipment().order().isEmpty())
            throw new UsageException("PACK: " + pack.title() + " has no vehicle order");
        return pack;
    }

    /** The order as it was typed: known codes, each once, of a family no two. */
    final List<String> codes(Pack pack) {
        List<String> typed = Arrays.stream(codes.toUpperCase(Locale.ROOT).split("[,;\\s]+"))
                .filter(code -> !code.isEmpty())
                .toList();
        for (String code : typed) known(pack, code);
        if (typed.stream().distinct().count() < typed.size()) throw new UsageException("CODES: a code stands twice");
        return families(pack, typed);
    }

    static String known(Pack pack, String code) {
        VehicleOrder order = pack.equipment().order().orElseThrow();
        if (!order.titles().containsKey(code))
            throw new UsageException("\"" + InputFile.quoted(code) + "\" is no option code of this pack (it has "
                    + String.join(", ", order.titles().keySet()) + ")");
        return code;
    }

    /** @return the codes, of which no two exclude each other */
    static List<String> families(Pack pack, List<String> codes) {
        for (Equipment.Family family :
                pack.equipment().order().orElseThrow().families().values()) {
            List<String> both = family.inEachOthersWay(codes);
            if (!both.isEmpty()) throw new UsageException(String.join(" and ", both) + " exclude each other");
        }
        return codes;
    }
}
