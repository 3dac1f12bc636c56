package fernstep.app.board;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.core.approach.Approach;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The board under a hand: it is drawn anew whenever something is written, here or at home. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class BoardPageTest {
    private final Running app;

    BoardPageTest(Running app) {
        this.app = app;
    }

    @Test
    void a_row_under_a_finger_stays_until_it_is_lifted(Visitor visitor) {
        long client = Someone.plain(app.context(), "Board Press", Approach.SLOW_LADDER, 12);
        Page page = visitor.onATablet("imogen");
        visitor.open("/?q=Board+Press");
        Locator row = page.locator("#rows a >> text=Board Press");
        row.waitFor();
        Queue<Route> held = new ConcurrentLinkedQueue<>();
        AtomicBoolean released = new AtomicBoolean();
        page.route("**/board/rows*", route -> {
            if (released.get()) {
                route.resume();
            } else {
                held.add(route);
            }
        });
        page.fill("#find [name=q]", "Board Pres");
        page.waitForCondition(() -> !held.isEmpty());
        BoundingBox at = row.boundingBox();
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().down();
        page.waitForResponse("**/board/rows*", () -> {
                    released.set(true);
                    held.forEach(Route::resume);
                })
                .finished();
        page.unroute("**/board/rows*");
        page.mouse().up();
        page.waitForURL("**/clients/" + client);
    }
}
