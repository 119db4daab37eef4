package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Pages and forms without a browser: cookies, tokens and redirects as a browser would. */
final class WebSession {
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");

    private final CookieManager cookies;
    private final HttpClient http;
    private final String url;

    private WebSession(String url, CookieManager cookies) {
        this.url = url;
        this.cookies = cookies;
        http = HttpClient.newBuilder()
                .cookieHandler(cookies)
                .followRedirects(HttpClient.Redirect.NEVER)
                .build();
    }

    /** The same session at another address: it lives in the database. */
    WebSession at(String newUrl) {
        return new WebSession(newUrl, cookies);
    }

    static WebSession signIn(String url, String name) throws IOException, InterruptedException {
        WebSession session = new WebSession(url, new CookieManager());
        session.send("/login", session.token("/login"), "username", name, "password", "pierhead");
        return session;
    }

    /** Nobody yet. */
    static WebSession visitor(String url) {
        return new WebSession(url, new CookieManager());
    }

    /** @return where it led, with what is said there */
    String signInAs(String name, String password) throws IOException, InterruptedException {
        HttpResponse<String> response = answer("/login", token("/login"), "username", name, "password", password);
        return response.headers().firstValue("Location").orElse("");
    }

    int status(String path) throws IOException, InterruptedException {
        return http.send(HttpRequest.newBuilder(URI.create(url + path)).build(), HttpResponse.BodyHandlers.ofString())
                .statusCode();
    }

    /** The cookies, as a header has them. */
    String cookie() {
        return cookies.getCookieStore().getCookies().stream()
                .map(c -> c.getName() + "=" + c.getValue())
                .collect(Collectors.joining("; "));
    }

    String get(String path) throws IOException, InterruptedException {
        HttpResponse<String> response =
                http.send(HttpRequest.newBuilder(URI.create(url + path)).build(), HttpResponse.BodyHandlers.ofString());
        if (response.statusCode() == 302)
            return get(URI.create(response.headers().firstValue("Location").orElseThrow())
                    .getPath());
        return response.body();
    }

    /** A file with its head. */
    HttpResponse<byte[]> file(String path) throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create(url + path)).build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    /** A page whose address has a question in it. */
    String query(String path) throws IOException, InterruptedException {
        return http.send(HttpRequest.newBuilder(URI.create(url + path)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }

    /** @return the path to which the act led */
    String post(String path, String... fields) throws IOException, InterruptedException {
        return send(path, token("/vehicles"), fields);
    }

    /** @return the page to which the act led */
    String follow(String path, String... fields) throws IOException, InterruptedException {
        return get(post(path, fields));
    }

    /** @return the page that is the answer itself */
    String answered(String path, String... fields) throws IOException, InterruptedException {
        return answer(path, token("/vehicles"), fields).body();
    }

    private String token(String path) throws IOException, InterruptedException {
        Matcher m = TOKEN.matcher(get(path));
        if (!m.find()) throw new IllegalStateException("no token on " + path);
        return m.group(1);
    }

    private String send(String path, String token, String... fields) throws IOException, InterruptedException {
        HttpResponse<String> response = answer(path, token, fields);
        if (response.statusCode() != 302)
            throw new IllegalStateException(path + " gave " + response.statusCode() + ": " + response.body());
        return URI.create(response.headers().firstValue("Location").orElseThrow())
                .getPath();
    }

    private HttpResponse<String> answer(String path, String token, String... fields)
            throws IOException, InterruptedException {
        StringBuilder body = new StringBuilder("_csrf=" + encode(token));
        for (int i = 0; i < fields.length; i += 2)
            body.append('&').append(fields[i]).append('=').append(encode(fields[i + 1]));
        HttpRequest request = HttpRequest.newBuilder(URI.create(url + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body.toString()))
                .build();
        return http.send(request, HttpResponse.BodyHandlers.ofString());
    }

    void awaitText(String path, String text, int seconds) throws IOException, InterruptedException {
        await(path)
                .atMost(Duration.ofSeconds(3L * seconds))
                .pollDelay(Duration.ZERO)
                .pollInterval(Duration.ofMillis(200))
                .untilAsserted(() -> {
                    String page = get(path);
                    assertThat(page.contains(text))
                            .as("\"%s\" in: %s", text, words(page))
                            .isTrue();
                });
    }

    private static String words(String page) {
        return page.replaceAll("(?s)<[^>]+>", " ").replaceAll("\\s+", " ");
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
