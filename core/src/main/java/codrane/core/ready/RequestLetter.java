package codrane.core.ready;

import codrane.core.plan.VehicleFacts;

/**
 * A request by mail: drafted, so that VIN and part number are not typed by hand.
 *
 * @param reference that the answer carries back
 */
public record RequestLetter(String to, String subject, String body, String reference) {
    /**
     * @param module whose calibration is asked for
     * @param partNumber as on the part's label; empty when nobody noted it
     * @param workshop that asks
     */
    public static RequestLetter file(
            long job, VehicleFacts facts, String module, String partNumber, String hardware, String workshop) {
        var pack = facts.pack();
        String reference = "JOB-" + job + "-" + pack.module(module).tag();
        String body = String.join(
                "\n",
                "Calibration wanted for the " + pack.module(module).lowerTitle() + " of one vehicle.",
                "",
                "VIN: " + facts.vin().grouped(),
                "Model: " + pack.title(),
                "Part number on the label: " + (partNumber.isEmpty() ? "not read yet" : partNumber),
                "Hardware number read from the module: " + (hardware.isEmpty() ? "not read" : hardware),
                "Software in it now: " + or(facts.answer(module).software(), "none, boot software only"),
                "",
                "Please keep the reference " + reference + " in the answer.",
                workshop);
        return new RequestLetter("files@" + pack.service() + ".invalid", "Calibration, " + reference, body, reference);
    }

    private static String or(String text, String otherwise) {
        return text.isEmpty() ? otherwise : text;
    }
}
