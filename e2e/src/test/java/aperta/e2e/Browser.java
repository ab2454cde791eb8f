package aperta.e2e;

import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Debian's Chromium without a window, and what went wrong on its pages. */
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

    private final Playwright playwright = Playwright.create();
    private final com.microsoft.playwright.Browser browser = playwright
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(ARGUMENTS));
    final List<String> errors = new ArrayList<>();

    Page page() {
        Page page = browser.newPage(new com.microsoft.playwright.Browser.NewPageOptions().setViewportSize(1280, 800));
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
        browser.close();
        playwright.close();
    }
}
