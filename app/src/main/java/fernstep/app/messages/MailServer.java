package fernstep.app.messages;

import java.time.LocalDateTime;
import java.util.List;

/** Where mail is handed over: a house's own server, or the stand-in that ships with the demo. */
public interface MailServer {
    /** Empty where none was set: nothing is sent, and the page says so. */
    String host();

    int port();

    String user();

    String password();

    boolean startTls();

    /** Who the mail is from. */
    String from();

    /** What arrived in a stand-in; empty for a real server, which keeps its own. */
    List<Received> received();

    /** A message as it arrived. */
    record Received(String to, String subject, String body, LocalDateTime at) {}
}
