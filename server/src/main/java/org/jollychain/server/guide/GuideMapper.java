package org.jollychain.server.guide;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.core.guide.Guide;
import org.jollychain.server.platform.Stamp;

@Mapper
interface GuideMapper {

  List<GuideSummary> latest();

  List<GuideSummary> revisions(@Param("key") String key);

  Optional<GuideRevision> newest(@Param("key") String key);

  /** The newest revision of the guide that was made last for a family. */
  Optional<GuideRevision> forFamily(@Param("family") String family);

  Optional<GuideRevision> find(@Param("key") String key, @Param("revision") int revision);

  /** Holds others that save the same guide until the transaction ends. */
  String lock(@Param("key") String key);

  void insert(
      @Param("guide") Guide guide,
      @Param("family") String family,
      @Param("revision") int revision,
      @Param("text") String text,
      @Param("stamp") Stamp stamp);
}
