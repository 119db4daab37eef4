package codrane.app.shelf;

import codrane.core.calibration.Manifest;
import codrane.core.calibration.Release;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.service.annotation.GetExchange;
import org.springframework.web.service.annotation.PostExchange;

/** What a maker's service can be asked. */
interface MakerRequests {
    @GetExchange("/{service}/calibrations")
    List<Manifest> calibrations(@PathVariable String service, @RequestParam String pack, @RequestParam String module);

    /** All versions of a module, the oldest first. */
    @GetExchange("/{service}/releases")
    List<Release> releases(@PathVariable String service, @RequestParam String pack, @RequestParam String module);

    /** The answer is UTF-8 text. */
    @GetExchange("/{service}/line-sheets/{vin}")
    byte[] lineSheet(
            @PathVariable String service,
            @PathVariable String vin,
            @RequestParam String pack,
            @RequestParam String module);

    @GetExchange("/{service}/daily-code")
    DailyPrice dailyPrice(@PathVariable String service);

    /** @param price in crowns */
    record DailyPrice(int price) {}

    /** @param agreed the price that is paid, in crowns */
    @PostExchange("/{service}/daily-code")
    DailyCode dailyCode(@PathVariable String service, @RequestParam int agreed);

    /** @param day on which it is good, as ISO 8601 has it */
    record DailyCode(String code, String day) {
        @Override
        public String toString() {
            return "a code of " + day; // whoever logs it tells nothing
        }
    }

    @PostExchange(url = "/{service}/letters", contentType = "text/plain;charset=UTF-8")
    void letter(@PathVariable String service, @RequestParam Map<String, String> head, @RequestBody byte[] body);
}
