package codrane.app;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** A signed-in browser page, as a technician has it. */
final class Browsing implements AutoCloseable {
    private static final double PATIENCE_MILLIS = Double.parseDouble(System.getProperty("codrane.patience", "60000"));

    private static Browser browser;
    private final BrowserContext context;
    private final String url;
    private final List<String> troubles = new ArrayList<>();
    final Page page;

    Browsing(String url, String name) {
        this.url = url;
        context = browser().newContext(new Browser.NewContextOptions().setViewportSize(1280, 800));
        page = context.newPage();
        page.setDefaultTimeout(PATIENCE_MILLIS);
        page.onConsoleMessage(m -> {
            boolean streamCut = m.text().contains("ERR_INCOMPLETE_CHUNKED_ENCODING")
                    || m.text().contains("ERR_CONNECTION_REFUSED");
            if (m.type().equals("error") && !streamCut) troubles.add(m.text());
        });
        page.onPageError(troubles::add);
        signIn(name);
    }

    /** One for the whole run of tests: starting it takes longer than most of them. Each test has a context of its own. */
    private static Browser browser() {
        if (browser != null) return browser;
        Playwright playwright = Playwright.create(new Playwright.CreateOptions()
                .setEnv(Map.of("PLAYWRIGHT_NODEJS_PATH", node(), "PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
        return browser;
    }

    /** As somebody else from now on, at the same browser. */
    void signIn(String name) {
        context.clearCookies();
        page.navigate(url + "/login");
        page.fill("#username", name);
        page.fill("#password", "pierhead");
        page.click(".signin button");
        page.waitForSelector(".cols");
    }

    /** Node from PATH: Playwright's own comes only in a bundle of 200 MB. */
    private static String node() {
        return Arrays.stream(System.getenv("PATH").split(":"))
                .map(folder -> Path.of(folder, "node"))
                .filter(Files::isExecutable)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("Node 20 or newer is needed for the browser tests"))
                .toString();
    }

    /** Errors that the browser's console showed: a blocked script, a failed request. */
    List<String> troubles() {
        return troubles;
    }

    void open(String path) {
        page.navigate(url + path);
    }

    String next() {
        return page.textContent(".next h3");
    }

    /** Waits until the next act is this. */
    void awaitNext(String title) {
        awaitShown(".next h3:has-text(\"" + title + "\")");
        awaitScripts();
    }

    /** Waits for what a selector names, and says what stands there instead when it never comes. */
    void awaitShown(String selector) {
        try {
            page.waitForSelector(selector);
        } catch (TimeoutError e) {
            picture(Path.of("target/screenshots/failure.png"));
            throw new AssertionError(selector + " never came. The page says: " + page.innerText("main"), e);
        }
    }

    /** The page's policy allows no functions to wait for, so it is asked again and again. */
    private void awaitScripts() {
        for (int i = 0; i < 600; i++) {
            try {
                Object ready = page.evaluate("window.Alpine !== undefined && document.body._x_dataStack !== undefined");
                if (Boolean.TRUE.equals(ready)) return;
            } catch (PlaywrightException e) { // it went to another page meanwhile
                if (!e.getMessage().contains("context was destroyed")) throw e;
            }
            page.waitForTimeout(50);
        }
        throw new AssertionError("the page's scripts never came");
    }

    /** Goes to a stage by its key again and again until the next act is this: for what changes in the vehicle by itself. */
    void goUntil(String key, String title) {
        for (int i = 0; i < 40; i++) {
            page.waitForTimeout(1500);
            page.keyboard().press(key);
            page.waitForLoadState();
            page.waitForTimeout(500);
            if (page.locator(".next h3:has-text(\"" + title + "\")").count() > 0) break;
        }
        awaitNext(title);
    }

    /** Releases every write. A meter that had a gap, on a computer that stood still for a while, is waited for. */
    void release() {
        for (int i = 0; i < 3; i++) {
            page.locator(".release input").all().forEach(box -> box.check());
            page.keyboard().press("Control+Enter");
            page.waitForLoadState();
            page.waitForTimeout(700);
            if (!page.isVisible(".refused:has-text('10 s of readings')")) return;
            goUntil("7", "Prepare is done");
            page.keyboard().press("8");
            awaitShown(".release input");
        }
    }

    /** Presses the button of the next act. */
    void act(String label) {
        page.click(".acts button:has-text(\"" + label + "\"), .acts a:has-text(\"" + label + "\")");
    }

    /** Waits until the field holds the value. The page's policy allows no functions to wait for. */
    void awaitValue(String selector, String value) {
        for (int i = 0; i < 600 && !page.inputValue(selector).equals(value); i++) page.waitForTimeout(100);
        if (!page.inputValue(selector).equals(value))
            throw new AssertionError(selector + " is \"" + page.inputValue(selector) + "\"; expected " + value);
    }

    void awaitGone(String selector) {
        page.waitForSelector(selector, new Page.WaitForSelectorOptions().setState(WaitForSelectorState.DETACHED));
    }

    void picture(Path file) {
        page.screenshot(new Page.ScreenshotOptions().setPath(file));
    }

    @Override
    public void close() {
        context.close();
    }
}
