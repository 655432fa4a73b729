// demo-maker: from one road description to the whole demo stage, the same each time.
//
//     demo-maker ROAD STAGE_FOLDER [notes|stage-video|recce-video|takes|all]

#include "captions.h"
#include "drive.h"
#include "encode.h"
#include "road_file.h"
#include "scene.h"

#include "formats/files.h"
#include "media/aligner.h"
#include "media/resample.h"
#include "media/simulated_reader.h"
#include "media/sound_file.h"
#include "pace/predict.h"
#include "stage/stage.h"

#include <QGuiApplication>

#include <cmath>
#include <cstdio>
#include <iostream>
#include <random>

namespace {

using namespace brumefall;
namespace fs = std::filesystem;

constexpr double kGo_s = 8.0;

/// The driven pass of the video: what is driven, and the facts of its file.
struct PassPlan {
    std::string name;
    demo::Drive drive;
    QSize size;
    int frames_per_s;
    int video_bit_s;
};

PassPlan stagePass(const demo::RoadDescription& road)
{
    return {"stage", {pace::predictPace(demo::asCoreRoad(road), {}, 1.0), kGo_s}, {640, 360}, 25, 74'000};
}

PassPlan reccePass(const demo::RoadDescription& road)
{
    pace::CarModel slow;
    slow.mu = 0.28;
    slow.brake_mu = 0.2;
    slow.drive_mu = 0.18;
    slow.power_W = 40'000.0;
    slow.top_speed_m_s = 15.0;
    return {"recce", {pace::predictPace(demo::asCoreRoad(road), slow, 1.0), 5.0}, {512, 288}, 15, 40'000};
}

void renderVideo(const demo::RoadDescription& road, const PassPlan& plan, const fs::path& file)
{
    const demo::Scene scene(road);
    demo::Engine engine;
    demo::Encoder encoder(file, {plan.size, plan.frames_per_s, plan.video_bit_s, demo::kEngineRate_hz});
    const double duration_s = plan.drive.duration_s();
    const auto frames = static_cast<int>(duration_s * plan.frames_per_s);
    for (int f = 0; f < frames; ++f) {
        const double t = static_cast<double>(f) / plan.frames_per_s;
        encoder.addFrame(scene.view(plan.drive.stationAt(t), plan.drive.speedAt(t), t, plan.size));
        encoder.addSound(engine.sound(plan.drive, t, 1.0 / plan.frames_per_s));
        if (f % 500 == 0) {
            std::cerr << plan.name << " " << static_cast<int>(t) << " of " << static_cast<int>(duration_s)
                      << " s\n";
        }
    }
    encoder.finish();
    std::cerr << file.filename().string() << ": " << fs::file_size(file) / 1000 << " kB\n";
}

std::vector<std::string> noteIds(const stage::Stage& stage)
{
    std::vector<std::string> ids;
    for (const auto& call : stage::understand(stage).calls) {
        for (const auto& note : call.notes) {
            ids.push_back(note.id);
        }
    }
    return ids;
}

/// Marks at every `each`-th note, where a patient tapper would have put them.
pace::Pass describePass(const PassPlan& plan, const demo::RoadDescription& road,
    const std::vector<std::string>& ids, const fs::path& folder, std::size_t each)
{
    pace::Pass pass;
    pass.name = plan.name;
    pass.kind = plan.name;
    pass.media.path = "media/" + plan.name + ".mkv";
    pass.media.duration_s = plan.drive.duration_s();
    std::error_code error;
    const auto size = fs::file_size(folder / pass.media.path, error);
    pass.media.size_bytes = error ? 0 : static_cast<long long>(size);
    pass.out_s = plan.drive.duration_s();
    pass.go_s = plan.drive.go_s;
    for (std::size_t k = 0; k < road.notes.size() && k < ids.size(); ++k) {
        const double media_s = plan.drive.go_s + plan.drive.pace.timeAt(road.notes[k].station_m);
        if (road.notes[k].text.starts_with("flying finish")) {
            pass.finish_s = media_s;
        }
        if (k % each == 0) {
            pass.marks.push_back({ids[k], std::round(media_s * 100.0) / 100.0});
        }
    }
    return pass;
}

stage::Stage makeStage(const demo::RoadDescription& road)
{
    stage::Stage stage;
    stage.name = road.name;
    stage.crew = "Maro Quill and Isbet Vane";
    stage.official_length_m = road.official_m;
    stage.style = road.style;
    stage.echoes = road.echoes;
    stage.text = demo::notesText(road);
    stage.text.pop_back();
    stage.known = notes::rememberNotes(stage::understand(stage).calls);
    return stage;
}

/// Distance and position of the stage pass, as a logger would have written them. The island is invented;
/// its coordinates lie in empty sea.
void writeLogs(const PassPlan& plan, const demo::RoadDescription& road, const fs::path& folder)
{
    const auto samples = demo::sampleRoad(road);
    constexpr double kLatitude = -47.25;
    constexpr double kLongitude = -19.5;
    constexpr double kMetresPerDegree = 111'320.0;
    std::string csv = "time_s,distance_m,speed_kmh\n";
    std::string gpx =
        "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<gpx version=\"1.1\" creator=\"demo-maker\" "
        "xmlns=\"http://www.topografix.com/GPX/1/1\">\n <trk><name>Lantern Pass</name><trkseg>\n";
    std::mt19937 random(5);
    std::normal_distribution<double> error_m(0.0, 0.8);
    char line[200];
    for (int i = 0; i * 0.5 < plan.drive.duration_s(); ++i) {
        const double t = i * 0.5;
        const double station_m = plan.drive.stationAt(t);
        std::snprintf(line, sizeof line, "%.1f,%.1f,%.1f\n", t, station_m, 3.6 * plan.drive.speedAt(t));
        csv += line;
        if (i % 2 == 0) {
            const auto& at = samples[std::min(static_cast<std::size_t>(station_m), samples.size() - 1)];
            const double lat = kLatitude + (at.y_m + error_m(random)) / kMetresPerDegree;
            const double lon = kLongitude
                + (at.x_m + error_m(random)) / (kMetresPerDegree * std::cos(kLatitude * 3.14159265 / 180.0));
            const int second = i / 2;
            std::snprintf(line, sizeof line,
                "  <trkpt lat=\"%.7f\" "
                "lon=\"%.7f\"><ele>%.1f</ele><time>2030-03-09T21:%02d:%02dZ</time></trkpt>\n",
                lat, lon, 120.0 + at.z_m, second / 60, second % 60);
            gpx += line;
        }
    }
    formats::writeFile(folder / "media" / "stage.csv", csv);
    formats::writeFile(folder / "media" / "stage.gpx", gpx + " </trkseg></trk>\n</gpx>\n");
}

void makeNotes(const demo::RoadDescription& road, const fs::path& folder)
{
    fs::create_directories(folder / "media");
    const auto stage = makeStage(road);
    stage::writeStage(folder / "stage.brumefall", stage);
    formats::writeFile(folder / "notes.txt", demo::notesText(road));
    const auto ids = noteIds(stage);
    if (ids.size() != road.notes.size()) {
        throw std::runtime_error("the notes are understood as " + std::to_string(ids.size())
            + " notes, but the road has " + std::to_string(road.notes.size()));
    }
    const auto fast = stagePass(road);
    auto pass = describePass(fast, road, ids, folder, 1);
    for (double t = 0.0; t <= fast.drive.pace.duration_s(); t += 1.0) {
        pass.trace.push_back({std::round(fast.drive.pace.stationAt(t) * 10.0) / 10.0, t});
    }
    pass.trace.push_back({road.length_m, std::round(fast.drive.pace.duration_s() * 100.0) / 100.0});
    stage::writePass(folder / "passes" / "stage.json", pass);
    if (road.recce) {
        stage::writePass(
            folder / "passes" / "recce.json", describePass(reccePass(road), road, ids, folder, 9));
        writeLogs(fast, road, folder);
    }
    const auto plan = stage::prepare(stage, &pass).plan;
    formats::writeFile(folder / "media" / "stage.srt", demo::faultyCaptions(plan, kGo_s, 4));
}

struct TakeWish {
    const char* name;
    const char* made_at;
    media::FaultWish faults;
    std::uint32_t seed;
};

void makeTake(const stage::Stage& stage, const pace::Pass& pass, const TakeWish& wish, const fs::path& folder)
{
    const auto prepared = stage::prepare(stage, &pass);
    const auto faults = media::chooseFaults(prepared.plan, wish.faults, wish.seed);
    constexpr double kBefore_s = -4.0;
    auto reading = media::readAloud(prepared.plan, faults, wish.seed, kBefore_s);
    reading.sound = media::resampled(reading.sound, media::kAlignRate_hz);
    std::mt19937 random(wish.seed);
    std::normal_distribution<double> room(0.0, 2.0);
    for (auto& sample : reading.sound.samples) {
        sample = static_cast<std::int16_t>(std::clamp(0.7 * sample + room(random), -32768.0, 32767.0));
    }
    stage::Take take;
    take.name = wish.name;
    take.pass = pass.name;
    take.made_at = wish.made_at;
    take.reader = stage::kSimulatedReader;
    take.plan = prepared.plan;
    take.pace = prepared.placement.pace;
    take.clock = {kBefore_s, 1.0};
    take.recorded_s = reading.sound.duration_s();
    take.audio = take.name + ".flac";
    fs::create_directories(folder / "takes");
    {
        media::SoundWriter writer(folder / "takes" / take.audio, media::kAlignRate_hz);
        writer.write(reading.sound.samples);
    }
    take.found = media::align(reading.sound, take::expectedNotes(prepared.plan)).notes;
    take.verdicts =
        take::judge(prepared.plan, prepared.placement.pace, take.found, take.clock, take.recorded_s);
    // what the driver said afterwards: this one wishes slow corners early
    constexpr double kShort_s = 2.4;
    constexpr double kAmple_s = 3.4;
    constexpr std::size_t kMost = 9;
    for (const auto& verdict : take.verdicts) {
        if (take.remarks.size() >= kMost || verdict.outside_take || !verdict.heard() || verdict.isMisread()) {
            continue;
        }
        const bool slow =
            take.plan.notes[static_cast<std::size_t>(&verdict - take.verdicts.data())].weight > 1.5;
        if (verdict.timing == take::Timing::early) {
            take.remarks.push_back({verdict.id, "later", {}});
        } else if (verdict.timing == take::Timing::late || (slow && verdict.lead_s < kShort_s)) {
            take.remarks.push_back({verdict.id, "earlier", {}});
        } else if (slow && verdict.lead_s < kAmple_s) {
            take.remarks.push_back({verdict.id, "good", {}});
        }
    }
    stage::writeTake(folder / "takes" / (take.name + ".json"), take);
    std::cerr << take.name << ": " << faults.size() << " faults\n";
}

void makeTakes(const demo::RoadDescription& road, const fs::path& folder)
{
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto pass = stage::readPass(folder / "passes" / "stage.json");
    if (road.name == "Kiln Road") { // nobody has read it yet
        return;
    }
    if (road.name == "Salt Stair") {
        media::FaultWish first;
        first.late = 2;
        first.skipping = 1;
        first.misreading = 1;
        makeTake(stage, pass, {"2030-03-08 22.05.11", "2030-03-08T22:05:11", first, 31}, folder);
        return;
    }
    media::FaultWish tired;
    tired.late = 7;
    tired.skipping = 4;
    tired.hesitating = 4;
    tired.misreading = 3;
    media::FaultWish hurried;
    hurried.hurried = 8;
    hurried.repeating = 3;
    hurried.stumbling = 3;
    hurried.late = 3;
    hurried.misreading = 2;
    media::FaultWish better;
    better.late = 1;
    better.hesitating = 1;
    better.skipping = 1;
    makeTake(stage, pass, {"2030-03-07 20.14.05", "2030-03-07T20:14:05", tired, 21}, folder);
    makeTake(stage, pass, {"2030-03-08 21.40.31", "2030-03-08T21:40:31", hurried, 22}, folder);
    makeTake(stage, pass, {"2030-03-09 19.02.47", "2030-03-09T19:02:47", better, 23}, folder);
}

} // namespace

int main(int argc, char** argv)
{
    if (argc < 3) {
        std::cerr << "usage: demo-maker ROAD STAGE_FOLDER [notes|stage-video|recce-video|takes|all]\n";
        return 2;
    }
    qputenv("QT_QPA_PLATFORM", "offscreen");
    const QGuiApplication application(argc, argv);
    try {
        const auto road = demo::readRoad(argv[1]);
        const fs::path folder = argv[2];
        const std::string what = argc > 3 ? argv[3] : "all";
        fs::create_directories(folder / "media");
        if (what == "stage-video" || what == "all") {
            renderVideo(road, stagePass(road), folder / "media" / "stage.mkv");
        }
        if (road.recce && (what == "recce-video" || what == "all")) {
            renderVideo(road, reccePass(road), folder / "media" / "recce.mkv");
        }
        if (what == "notes" || what == "all") {
            makeNotes(road, folder);
        }
        if (what == "takes" || what == "all") {
            makeTakes(road, folder);
        }
    } catch (const std::exception& error) {
        std::cerr << "demo-maker: " << error.what() << "\n";
        return 1;
    }
    return 0;
}
