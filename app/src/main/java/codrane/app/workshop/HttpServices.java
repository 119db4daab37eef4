package codrane.app.workshop;

import java.net.http.HttpClient;
import java.time.Duration;
import org.springframework.http.client.JdkClientHttpRequestFactory;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.support.RestClientAdapter;
import org.springframework.web.service.invoker.HttpServiceProxyFactory;

/** Clients of services over HTTP, each from an interface whose methods are its requests. */
public final class HttpServices {
    private static final Duration CONNECT = Duration.ofSeconds(3);

    private HttpServices() {}

    /** @param patience until the whole answer is there */
    public static <T> T of(Class<T> requests, String address, Duration patience) {
        return HttpServiceProxyFactory.builderFor(RestClientAdapter.create(client(address, patience)))
                .build()
                .createClient(requests);
    }

    /** For what is read as it comes. */
    public static RestClient client(String address, Duration patience) {
        Duration connect = patience.compareTo(CONNECT) < 0 ? patience : CONNECT;
        JdkClientHttpRequestFactory factory = new JdkClientHttpRequestFactory(
                HttpClient.newBuilder().connectTimeout(connect).build());
        factory.setReadTimeout(patience);
        return RestClient.builder().baseUrl(address).requestFactory(factory).build();
    }
}
