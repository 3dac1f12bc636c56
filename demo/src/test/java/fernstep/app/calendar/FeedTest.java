package fernstep.app.calendar;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.client.Clients;
import fernstep.core.approach.Approach;
import fernstep.core.progress.Progress;
import java.io.StringReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.DayOfWeek;
import java.util.EnumSet;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Component;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Her calendar by a private address, as a calendar program without a sign-in reads it. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class FeedTest {
    private final Running app;
    private final Clients clients;

    FeedTest(Running app, Clients clients) {
        this.app = app;
        this.clients = clients;
    }

    private HttpResponse<String> read(String link) throws Exception {
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(app.baseUrl() + link)).build(), BodyHandlers.ofString());
    }

    private static int sessions(String text) throws Exception {
        return new CalendarBuilder()
                .build(new StringReader(text))
                .getComponents(Component.VEVENT)
                .size();
    }

    @Test
    void it_follows_the_plan_until_it_is_revoked_or_replaced(Visitor visitor) throws Exception {
        long client = Someone.firm(app.context(), "Feed Person", Approach.SLOW_LADDER, 20);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/calendar");
        page.click("text=Make a private address");
        String link = page.locator(".one-time-link").textContent();
        assertThat(link).matches("/feeds/[A-Za-z0-9_-]{43}\\.ics");
        HttpResponse<String> all = read(link);
        assertThat(all.headers().firstValue("content-type"))
                .hasValueSatisfying(text -> assertThat(text).startsWith("text/calendar"));
        int before = sessions(all.body());
        assertThat(before).isGreaterThan(8);

        clients.trainBy(
                client,
                Progress.GrowFirst.REPS,
                EnumSet.complementOf(EnumSet.of(DayOfWeek.MONDAY, DayOfWeek.THURSDAY)),
                null,
                null,
                1);
        assertThat(sessions(read(link).body())).isLessThan(before);

        page.click("text=New address");
        assertThat(read(link).statusCode()).isEqualTo(404);
        String second = page.locator(".one-time-link").textContent();
        assertThat(read(second).statusCode()).isEqualTo(200);
        page.click("text=Stop sharing");
        page.locator("text=Make a private address").waitFor();
        assertThat(read(second).statusCode()).isEqualTo(404);
        assertThat(read("/feeds/" + "a".repeat(43) + ".ics").statusCode()).isEqualTo(404);
    }
}
