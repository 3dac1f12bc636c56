package fernstep.app.contact;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface ContactMapper {
    Optional<Contact> byClient(@Param("clientId") long clientId);

    void put(Contact contact);

    List<Contact> writable();

    /** Only where there is none yet. */
    void putOffToken(@Param("clientId") long clientId, @Param("token") String token);

    String offToken(@Param("clientId") long clientId);

    Optional<Contact> byOffToken(@Param("token") String token);
}
