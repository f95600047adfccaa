package org.jollychain.server.policy;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Locale;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** A permit by its word. */
@Component
@MappedTypes(Permit.class)
class KeptPermit extends BaseTypeHandler<Permit> {

  @Override
  public void setNonNullParameter(
      PreparedStatement statement, int at, Permit permit, @Nullable JdbcType type)
      throws SQLException {
    statement.setString(at, permit.toString());
  }

  @Override
  public @Nullable Permit getNullableResult(ResultSet row, String column) throws SQLException {
    return read(row.getString(column));
  }

  @Override
  public @Nullable Permit getNullableResult(ResultSet row, int column) throws SQLException {
    return read(row.getString(column));
  }

  @Override
  public @Nullable Permit getNullableResult(CallableStatement call, int column)
      throws SQLException {
    return read(call.getString(column));
  }

  private static @Nullable Permit read(@Nullable String word) {
    return word == null ? null : Permit.valueOf(word.toUpperCase(Locale.ROOT));
  }
}
