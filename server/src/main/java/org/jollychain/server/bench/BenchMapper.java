package org.jollychain.server.bench;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Stamp;

@Mapper
interface BenchMapper {

  List<KeptResult> latest(int most);

  Optional<KeptResult> find(UUID id);

  int insertIfNew(@Param("result") KeptResult result, @Param("stamp") Stamp stamp);
}
