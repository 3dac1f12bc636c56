package fernstep.app.security;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
public interface StaffMapper {
    Optional<Staff> byUsername(@Param("username") String username);

    Optional<Staff> byId(@Param("id") long id);

    List<Staff> all();

    int count();

    void insert(Staff staff);
}
