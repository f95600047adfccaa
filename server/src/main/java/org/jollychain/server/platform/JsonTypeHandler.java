package org.jollychain.server.platform;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/** Records kept as {@code jsonb}, by the rules of the API's own JSON. */
public abstract class JsonTypeHandler<T> extends BaseTypeHandler<T> {

  private final JsonMapper json;
  private final Class<T> type;

  protected JsonTypeHandler(JsonMapper json, Class<T> type) {
    this.json = json;
    this.type = type;
  }

  @Override
  public void setNonNullParameter(
      PreparedStatement statement, int at, T value, @Nullable JdbcType jdbcType)
      throws SQLException {
    statement.setObject(at, json.writeValueAsString(value), Types.OTHER);
  }

  @Override
  public @Nullable T getNullableResult(ResultSet row, String column) throws SQLException {
    return read(row.getString(column));
  }

  @Override
  public @Nullable T getNullableResult(ResultSet row, int column) throws SQLException {
    return read(row.getString(column));
  }

  @Override
  public @Nullable T getNullableResult(CallableStatement call, int column) throws SQLException {
    return read(call.getString(column));
  }

  protected @Nullable T read(@Nullable String kept) {
    return kept == null ? null : json.readValue(kept, type);
  }
}
