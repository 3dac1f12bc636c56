package fernstep.app.security;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** Tries to sign in; the one that asks is left out of what is counted. */
@Mapper
interface SignInTryMapper {
    int LOOKS_BACK_MIN = 60;

    /** A try, counted as a failure from now on; its number. */
    long begin(@Param("username") String username, @Param("address") String address, @Param("device") String device);

    /** Of this account from this address, but from devices not known. */
    SignInTries.Failures ofAccountHere(
            @Param("username") String username, @Param("address") String address, @Param("own") long own);

    SignInTries.Failures ofAccount(@Param("username") String username, @Param("own") long own);

    SignInTries.Failures ofAddress(@Param("address") String address, @Param("own") long own);

    SignInTries.Failures ofDevice(
            @Param("username") String username, @Param("device") String device, @Param("own") long own);

    void succeed(@Param("id") long id);

    void forget(@Param("id") long id);
}
