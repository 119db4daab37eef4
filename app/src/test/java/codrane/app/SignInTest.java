package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Signing in, sessions, people: over real sockets, as a browser does it and as somebody else might. */
@ExtendWith(RunningApp.class)
class SignInTest {
    private final App app;

    SignInTest(App app) {
        this.app = app;
    }

    private long count(String what) {
        return app.bean(JdbcClient.class)
                .sql("select count(*) from " + what)
                .query(Long.class)
                .single();
    }

    private HttpResponse<String> get(String path, String... headers) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(app.url() + path));
        for (int i = 0; i < headers.length; i += 2) request.header(headers[i], headers[i + 1]);
        try (HttpClient client = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .followRedirects(HttpClient.Redirect.NEVER)
                .build()) {
            return client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        }
    }

    /** A browser opens several pages at once as soon as it is signed in. */
    @Test
    void pages_severalAtOnceAfterSigningIn_allAnswer() throws Exception {
        try (ExecutorService threads = Executors.newFixedThreadPool(6)) {
            for (int round = 0; round < 6; round++) {
                WebSession session = WebSession.signIn(app.url(), "lead");
                List<Callable<Integer>> pages = new ArrayList<>();
                for (String path : List.of("/", "/vehicles", "/tools", "/jobs/2201/intake", "/shelf", "/policy"))
                    pages.add(() -> session.status(path));
                for (Future<Integer> status : threads.invokeAll(pages))
                    assertThat(status.get()).isEqualTo(200);
            }
        }
    }

    @Test
    void visitor_withOrWithoutABrokenCookie_leavesNothingAndIsSentToSignIn() throws Exception {
        long sessions = count("spring_session");
        for (String cookie : List.of(
                "codrane=AAAA",
                "codrane=\u00ff%00",
                "codrane=",
                "codrane=bm8gc2Vzc2lvbgAAAA==",
                "x=y; codrane=Li4vLi4=")) {
            assertThat(get("/", "Cookie", cookie).statusCode()).as(cookie).isEqualTo(302);
            assertThat(get("/login", "Cookie", cookie).statusCode()).as(cookie).isEqualTo(200);
        }
        assertThat(get("/jobs/2201/run").headers().firstValue("Location").orElse(""))
                .endsWith("/login?to=%2Fjobs%2F2201%2Frun");
        assertThat(get("/login?to=//elsewhere.example").body()).doesNotContain("elsewhere");
        assertThat(get("/login?to=https://elsewhere.example").body()).doesNotContain("elsewhere");
        assertThat(count("spring_session")).isEqualTo(sessions);
    }

    @Test
    void request_underANameThatThisIsNot_isRefused() throws Exception {
        String head = "GET /login HTTP/1.1\r\nHost: elsewhere.example\r\nConnection: close\r\n\r\n";
        try (java.net.Socket socket = new java.net.Socket(
                java.net.InetAddress.getLoopbackAddress(), URI.create(app.url()).getPort())) {
            socket.getOutputStream().write(head.getBytes(java.nio.charset.StandardCharsets.US_ASCII));
            assertThat(new String(socket.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8))
                    .startsWith("HTTP/1.1 400");
        }
    }

    @Test
    void wrongPasswords_many_waitAndAreWrittenDownWhileOthersSignIn() throws Exception {
        WebSession known = WebSession.signIn(app.url(), "specialist");
        known.post("/logout");
        String said = "";
        for (int i = 0; i < 12; i++) said = WebSession.visitor(app.url()).signInAs("specialist", "wrong" + i);
        assertThat(said).contains("wait=");
        assertThat(WebSession.visitor(app.url()).signInAs("desk", "pierhead")).endsWith("/");
        assertThat(known.signInAs("specialist", "pierhead")).endsWith("/"); // it signed in here before
        assertThat(count("audit where act = 'failed to sign in' and who = 'specialist'"))
                .isBetween(1L, 8L);
        assertThat(count("audit where act = 'signed in' and who = 'specialist'"))
                .isPositive();
    }

    @Test
    void name_thatNobodyCanHave_isWrongLikeAnyOther() throws Exception {
        for (String name : List.of("a\0b", "x".repeat(5000), "", "' or 1=1 --", "lead\r\nSet-Cookie: x=y"))
            assertThat(WebSession.visitor(app.url()).signInAs(name, "wrong"))
                    .as(name)
                    .contains("/login?");
    }

    @Test
    void people_addedChangedDisabled_signInAsTheyMayAndTheLastLeadStays() throws Exception {
        WebSession lead = WebSession.signIn(app.url(), "lead");
        assertThat(lead.follow("/people", "name", "Mara", "password", "short", "role", "TECH"))
                .contains("A password has at least 10 characters. Nothing was changed.");
        assertThat(lead.follow("/people", "name", "Mara", "password", "ferry at seven", "role", "TRAINEE"))
                .contains("Mara can sign in");
        assertThat(lead.follow("/people", "name", "mara", "password", "ferry at seven", "role", "TECH"))
                .contains("There is a mara already");
        WebSession mara = WebSession.visitor(app.url());
        assertThat(mara.signInAs("Mara", "ferry at seven")).endsWith("/");
        assertThat(mara.status("/people")).isEqualTo(403);
        lead.follow("/people/Mara/role", "role", "TECH");
        assertThat(mara.status("/vehicles")).isEqualTo(302); // signed out: the session knew another role
        mara.signInAs("Mara", "ferry at seven");
        assertThat(mara.follow(
                        "/account/password", "old", "wrong", "fresh", "the tide is high", "again", "the tide is high"))
                .contains("The password until now is not right");
        assertThat(count("audit where who = 'Mara' and act = 'failed to change the own password'"))
                .isEqualTo(1);
        assertThat(mara.follow(
                        "/account/password",
                        "old",
                        "ferry at seven",
                        "fresh",
                        "the tide is high",
                        "again",
                        "the tide is high"))
                .contains("Elsewhere you are signed out");
        assertThat(mara.status("/vehicles")).isEqualTo(200);
        lead.follow("/people/Mara/disable");
        assertThat(mara.status("/vehicles")).isEqualTo(302);
        assertThat(WebSession.visitor(app.url()).signInAs("Mara", "the tide is high"))
                .contains("error");
        for (String act : List.of("/people/lead/disable", "/people/lead/role"))
            assertThat(lead.follow(act, "role", "TECH")).contains("This is the last lead");
        assertThat(count("account where role = 'LEAD' and not disabled")).isEqualTo(1);
    }

    @Test
    void people_qualification_isNotedByTheLeadAndSignsNobodyOut() throws Exception {
        WebSession lead = WebSession.signIn(app.url(), "lead");
        lead.follow("/people", "name", "Ines", "password", "ferry at seven", "role", "TECH");
        WebSession ines = WebSession.visitor(app.url());
        ines.signInAs("Ines", "ferry at seven");
        assertThat(lead.follow("/people/Ines/qualified", "highVoltage", "true"))
                .contains("It counts where Ines is named from now on");
        assertThat(count("account where name = 'Ines' and high_voltage and not licensed"))
                .isEqualTo(1);
        assertThat(count("audit where act = 'noted what somebody is qualified for' and subject = 'Ines'"))
                .isEqualTo(1);
        assertThat(ines.status("/vehicles")).isEqualTo(200);
        assertThat(lead.follow("/people/nobody/qualified", "licensed", "true")).contains("nobody of this name");
    }

    @Test
    void ownPassword_guessedAgainAndAgain_waitsAsAtTheDoor() throws Exception {
        WebSession lead = WebSession.signIn(app.url(), "lead");
        lead.follow("/people", "name", "Odo", "password", "ferry at seven", "role", "TECH");
        WebSession odo = WebSession.visitor(app.url());
        odo.signInAs("Odo", "ferry at seven");
        String said = "";
        for (int i = 0; i < 8 && !said.contains("Too many wrong ones"); i++)
            said = odo.follow(
                    "/account/password", "old", "guess " + i, "fresh", "the tide is high", "again", "the tide is high");
        assertThat(said).contains("Too many wrong ones: wait", "Nothing was changed");
        WebSession again = WebSession.visitor(app.url());
        assertThat(again.signInAs("Odo", "ferry at seven")).endsWith("/"); // the door counts for itself
    }

    @Test
    void application_inItsDatabase_isNoSuperuser() {
        assertThat(app.bean(JdbcClient.class)
                        .sql(
                                "select rolsuper or rolcreatedb or rolcreaterole from pg_roles where rolname = current_user")
                        .query(Boolean.class)
                        .single())
                .isFalse();
    }
}
