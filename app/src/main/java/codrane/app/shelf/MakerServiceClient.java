package codrane.app.shelf;

import codrane.app.workshop.CodraneSettings;
import codrane.app.workshop.HttpServices;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.Release;
import codrane.core.octets.Source;
import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import java.io.IOException;
import java.net.ConnectException;
import java.net.http.HttpConnectTimeoutException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.function.Function;
import java.util.function.LongConsumer;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpRange;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.stereotype.Component;
import org.springframework.web.client.ResourceAccessException;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.RestClientException;
import org.springframework.web.client.RestClientResponseException;

/** Asks the makers' services. */
@Component
public class MakerServiceClient {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    /** Slower than this a download is given up. */
    private static final long LEAST_BYTES_PER_SECOND = 100_000;

    private static final long LONGEST_FILE = 512L << 20;
    private static final int ATTEMPTS = 3;

    private final MakerRequests requests;
    private final String address;
    private final PartialFile.Room partials;

    @Autowired
    MakerServiceClient(CodraneSettings settings) {
        this(new PartialFile.Room(settings.var().resolve("downloads")), settings.serviceUrl());
    }

    /** @param partials where files lie that are not whole yet */
    MakerServiceClient(PartialFile.Room partials, String address) {
        requests = HttpServices.of(MakerRequests.class, address, PATIENCE);
        this.address = address;
        this.partials = partials;
    }

    /** The service can't be reached or does not have what was asked for; the message is for people. */
    public static final class ServiceException extends RuntimeException {
        ServiceException(String message) {
            super(message);
        }

        ServiceException(String message, Throwable cause) {
            super(message, cause);
        }

        /** Whether what was asked for certainly did not happen: nobody was reached, or it was refused. */
        public boolean cameToNothing() {
            return switch (getCause()) {
                case RestClientResponseException answered ->
                    answered.getStatusCode().is4xxClientError();
                case ResourceAccessException network ->
                    network.getCause() instanceof ConnectException
                            || network.getCause() instanceof HttpConnectTimeoutException;
                case null, default -> false;
            };
        }
    }

    public List<Manifest> calibrations(Pack pack, String module) {
        return asked(pack, () -> requests.calibrations(pack.service(), pack.id(), module));
    }

    public List<Release> releases(Pack pack, String module) {
        return asked(pack, () -> requests.releases(pack.service(), pack.id(), module));
    }

    public String lineSheet(Pack pack, String module, Vin vin) {
        byte[] sheet = asked(pack, () -> requests.lineSheet(pack.service(), vin.text(), pack.id(), module));
        return new String(sheet, StandardCharsets.UTF_8);
    }

    /** What the code of the day costs, in crowns. */
    public int dailyPrice(Pack pack) {
        return asked(pack, () -> requests.dailyPrice(pack.service())).price();
    }

    /** A code that was paid for, and the day on which it is good. */
    public record Daily(String code, LocalDate day) {
        @Override
        public String toString() {
            return "a code of " + day; // whoever logs it tells nothing
        }
    }

    /** @param agreed the price in crowns; another one is not paid */
    public Daily dailyCode(Pack pack, int agreed) {
        MakerRequests.DailyCode bought = asked(pack, () -> requests.dailyCode(pack.service(), agreed));
        try {
            return new Daily(bought.code(), LocalDate.parse(bought.day()));
        } catch (DateTimeParseException e) {
            throw new ServiceException("The service of " + pack.maker() + " answered what can't be read.", e);
        }
    }

    private static <T> T asked(Pack pack, Supplier<T> request) {
        try {
            T answer = request.get();
            if (answer == null) throw new ServiceException("The service of " + pack.maker() + " answered nothing.");
            return answer;
        } catch (RestClientResponseException e) {
            throw new ServiceException(lacking(pack, e.getStatusCode()), e);
        } catch (ResourceAccessException e) {
            throw new ServiceException(
                    "The service of " + pack.maker() + " can't be reached. Check the network, then try again.", e);
        } catch (RestClientException e) {
            throw new ServiceException("The service of " + pack.maker() + " answered what can't be read.", e);
        }
    }

    private static String lacking(Pack pack, HttpStatusCode status) {
        return "The service of " + pack.maker()
                + (status.is5xxServerError() ? " is out of order now" : " does not have this") + " (answer "
                + status.value() + ").";
    }

    /**
     * A file, from where an earlier attempt broke off. A line that breaks is taken up again a few times; what came stays for
     * the next attempt.
     *
     * @param progress told how many octets are there
     * @param use of the whole, which is gone afterwards
     */
    public <T> T file(Pack pack, Manifest manifest, LongConsumer progress, Function<Source, T> use) {
        if (manifest.size() > LONGEST_FILE)
            throw new ServiceException(
                    "The file has " + manifest.size() + " bytes; up to " + LONGEST_FILE + " are taken.");
        return partials.alone(manifest, partial -> {
            download(pack, manifest, partial, progress);
            return partial.with(use);
        });
    }

    private void download(Pack pack, Manifest manifest, PartialFile partial, LongConsumer progress) {
        for (int attempt = 1; ; attempt++) {
            try {
                asked(pack, () -> onward(pack, manifest, partial, progress));
                return;
            } catch (BrokenOff e) {
                if (attempt == ATTEMPTS)
                    throw new ServiceException(
                            "The download from " + pack.maker() + " broke off at " + partial.length() + " of "
                                    + manifest.size()
                                    + " bytes. What came is kept: fetch it again, and it goes on there.",
                            e);
            }
        }
    }

    /** The line broke; what came is kept. */
    private static final class BrokenOff extends RuntimeException {
        BrokenOff(IOException cause) {
            super(cause);
        }
    }

    private static long from(PartialFile partial, Manifest manifest) {
        try {
            return partial.goesOnAt(manifest.size());
        } catch (IOException e) {
            throw new BrokenOff(e);
        }
    }

    private boolean onward(Pack pack, Manifest manifest, PartialFile partial, LongConsumer progress) {
        RestClient download =
                HttpServices.client(address, PATIENCE.plusSeconds(manifest.size() / LEAST_BYTES_PER_SECOND));
        long from = from(partial, manifest);
        return download.get()
                .uri("/{service}/calibrations/{id}/file", pack.service(), manifest.id())
                .headers(headers -> {
                    if (from > 0) headers.setRange(List.of(HttpRange.createByteRange(from)));
                })
                .exchangeForRequiredValue((request, response) -> {
                    if (response.getStatusCode().isError())
                        throw new ServiceException(lacking(pack, response.getStatusCode()));
                    if (response.getStatusCode().value() != HttpStatus.PARTIAL_CONTENT.value()) partial.discard();
                    try {
                        partial.fill(response.getBody(), manifest.size(), progress);
                        return true;
                    } catch (IOException e) {
                        throw new BrokenOff(e);
                    }
                });
    }
}
