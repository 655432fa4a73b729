/// The type that ships with Brumefall: on the screen and on paper the same.
#pragma once

namespace brumefall::pages {

/// Call before the application object is made: hides an installed B612 Mono, which on Debian calls itself
/// "B612" as well and would be taken for the text face.
void hideInstalledMono();

/// Call once there is one.
void loadFonts();

} // namespace brumefall::pages
