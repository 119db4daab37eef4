package codrane.app.shelf;

import codrane.app.workshop.CodraneSettings;
import codrane.core.calibration.Manifest;
import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.function.LongConsumer;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.ObjectMapper;

/** Asks the makers' services. */
@Component
public class MakerServiceClient {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final long LONGEST_FILE = 64L << 20;
    private static final ObjectMapper JSON = new ObjectMapper();

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(3)).build();
    private final String address;

    MakerServiceClient(CodraneSettings settings) {
        address = settings.serviceUrl();
    }

    /** The service can't be reached or does not have what was asked for; the message is for people. */
    public static final class ServiceException extends RuntimeException {
        ServiceException(String message) {
            super(message);
        }

        ServiceException(String message, Throwable cause) {
            super(message, cause);
        }
    }

    public List<Manifest> calibrations(Pack pack, String module) {
        String path = "/" + pack.service() + "/calibrations?pack=" + encode(pack.id()) + "&module=" + encode(module);
        try {
            return JSON.readValue(text(pack, path), new TypeReference<List<Manifest>>() {});
        } catch (JacksonException e) {
            throw new ServiceException("The service of " + pack.maker() + " answered what can't be read.", e);
        }
    }

    public String lineSheet(Pack pack, String module, Vin vin) {
        return text(
                pack,
                "/" + pack.service() + "/line-sheets/" + vin.text() + "?pack=" + encode(pack.id()) + "&module="
                        + encode(module));
    }

    /** @param progress told how many octets are there */
    public byte[] file(Pack pack, Manifest manifest, LongConsumer progress) {
        String path = "/" + pack.service() + "/calibrations/" + encode(manifest.id()) + "/file";
        if (manifest.size() > LONGEST_FILE) {
            throw new ServiceException(
                    "The file has " + manifest.size() + " octets; up to " + LONGEST_FILE + " are taken.");
        }
        try (InputStream in =
                send(pack, path, HttpResponse.BodyHandlers.ofInputStream()).body()) {
            ByteArrayOutputStream out = new ByteArrayOutputStream((int) manifest.size());
            byte[] buffer = new byte[64 * 1024];
            for (int n = in.read(buffer); n >= 0 && out.size() <= manifest.size(); n = in.read(buffer)) {
                out.write(buffer, 0, n);
                progress.accept(out.size());
            }
            return out.toByteArray();
        } catch (IOException e) {
            throw new ServiceException(
                    "The download from " + pack.maker() + " broke off: " + e.getMessage()
                            + ". Nothing was stored; fetch it again.",
                    e);
        }
    }

    private String text(Pack pack, String path) {
        return send(pack, path, HttpResponse.BodyHandlers.ofString()).body();
    }

    private <T> HttpResponse<T> send(Pack pack, String path, HttpResponse.BodyHandler<T> handler) {
        try {
            HttpRequest request = HttpRequest.newBuilder(URI.create(address + path))
                    .timeout(PATIENCE)
                    .build();
            HttpResponse<T> response = http.send(request, handler);
            if (response.statusCode() != 200) {
                throw new ServiceException("The service of " + pack.maker() + " does not have this (answer "
                        + response.statusCode() + ").");
            }
            return response;
        } catch (IOException e) {
            throw new ServiceException(
                    "The service of " + pack.maker() + " can't be reached. Check the network, then try again.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new ServiceException("The request was interrupted.", e);
        }
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
