package aperta.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Debian's Chromium without a window, as one finds it who was never here before, and what went wrong on its pages. */
final class Browser implements AutoCloseable {
    /** No graphics card, nothing asked for anywhere else. */
    static final List<String> ARGUMENTS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1");

    private static com.microsoft.playwright.Browser shared;

    private final BrowserContext context;
    final List<String> errors = new ArrayList<>();

    Browser() {
        context = shared().newContext(
                        new com.microsoft.playwright.Browser.NewContextOptions().setViewportSize(1280, 800));
    }

    /** One process for all tests: starting it takes seconds. It ends with the tests. */
    private static synchronized com.microsoft.playwright.Browser shared() {
        if (shared == null) {
            shared = Playwright.create()
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(ARGUMENTS));
        }
        return shared;
    }

    Page page() {
        Page page = context.newPage();
        page.setDefaultTimeout(60_000);
        page.onPageError(errors::add);
        page.onConsoleMessage(m -> {
            if (m.type().equals("error") && !m.text().contains("Failed to load resource")) {
                errors.add(m.text());
            }
        });
        return page;
    }

    @Override
    public void close() {
        context.close();
    }
}
