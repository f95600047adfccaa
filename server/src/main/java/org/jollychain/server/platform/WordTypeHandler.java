package org.jollychain.server.platform;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.jspecify.annotations.Nullable;

/** What is kept by its words, in a column of text or {@code jsonb}. */
public abstract class WordTypeHandler<T> extends BaseTypeHandler<T> {

  protected abstract String written(T value);

  protected abstract @Nullable T read(String kept);

  @Override
  public void setNonNullParameter(
      PreparedStatement statement, int at, T value, @Nullable JdbcType type) throws SQLException {
    // the column says which of the two it is
    statement.setObject(at, written(value), Types.OTHER);
  }

  @Override
  public @Nullable T getNullableResult(ResultSet row, String column) throws SQLException {
    return readIfAny(row.getString(column));
  }

  @Override
  public @Nullable T getNullableResult(ResultSet row, int column) throws SQLException {
    return readIfAny(row.getString(column));
  }

  @Override
  public @Nullable T getNullableResult(CallableStatement call, int column) throws SQLException {
    return readIfAny(call.getString(column));
  }

  private @Nullable T readIfAny(@Nullable String kept) {
    return kept == null ? null : read(kept);
  }
}
