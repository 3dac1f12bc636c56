package fernstep.app.security;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface SignInTryMapper {
    int LOOKS_BACK_MIN = 60;

    SignInTries.Failures ofAccount(@Param("username") String username);

    SignInTries.Failures ofAddress(@Param("address") String address);

    void insert(
            @Param("username") String username,
            @Param("address") String address,
            @Param("succeeded") boolean succeeded);
}
