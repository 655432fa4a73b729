/// What may be opened as a video or a sound: files in containers that hold their media themselves.
///
/// A stage folder may come from a stranger. Playlists, edit lists, references to other files and addresses
/// are no media here, whatever their name is; nor are pipes, devices and folders.
#pragma once

#include <filesystem>
#include <string>

namespace brumefall::media {

/// FFmpeg's names of such containers, with commas between them.
inline constexpr const char* kContainers = "matroska,webm,mov,mp4,m4a,3gp,3g2,mj2,avi,mpegts,mpeg,mpegvideo,"
                                           "m4v,h264,hevc,asf,flv,nut,dv,mxf,gxf,ivf,"
                                           "wav,w64,aiff,au,caf,flac,ogg,mp3,aac,ac3,eac3,amr,wv,ape,tta";
inline constexpr const char* kProtocols = "file"; ///< no network

/// Why `file` is none that may be opened; empty where it may be.
[[nodiscard]] std::string refusal(const std::filesystem::path& file);

} // namespace brumefall::media
