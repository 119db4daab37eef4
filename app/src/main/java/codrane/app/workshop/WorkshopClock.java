package codrane.app.workshop;

import java.time.InstantSource;
import java.time.ZoneId;
import java.util.TimeZone;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The time of this workshop: everything else is given it. */
@Configuration
@EnableScheduling
class WorkshopClock {
    @Bean
    InstantSource time() {
        return InstantSource.system();
    }

    /** As it is set; else that of this computer. */
    @Bean
    ZoneId zone(CodraneSettings settings) {
        return settings.zone().isBlank() ? TimeZone.getDefault().toZoneId() : ZoneId.of(settings.zone());
    }
}
