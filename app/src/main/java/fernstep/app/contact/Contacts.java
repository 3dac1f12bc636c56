package fernstep.app.contact;

import fernstep.app.support.Tokens;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** What is known of how to reach a client. */
@Service
public class Contacts {
    private final ContactMapper mapper;

    Contacts(ContactMapper mapper) {
        this.mapper = mapper;
    }

    public Contact of(long clientId) {
        return mapper.byClient(clientId).orElseGet(() -> Contact.unknown(clientId));
    }

    public void put(Contact contact) {
        mapper.put(contact);
    }

    /** Those who may be written to. */
    public List<Contact> writable() {
        return mapper.writable();
    }

    /** Stands in every mail: whoever holds it may end them, and nothing else. */
    public String offToken(long clientId) {
        mapper.putOffToken(clientId, Tokens.fresh());
        return mapper.offToken(clientId);
    }

    /** Empty for a token of nobody's. */
    public Optional<Contact> byOffToken(String token) {
        return mapper.byOffToken(token);
    }

    /** She wants no more mail, or wants it again. */
    public void mail(long clientId, boolean off) {
        Contact now = of(clientId);
        mapper.put(new Contact(clientId, now.language(), now.units(), now.email(), off));
    }
}
