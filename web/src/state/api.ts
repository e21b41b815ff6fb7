import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react'
import {
  type BackupSummary,
  type CommandReply,
  type ShelfFile,
  type ShelfReply,
  fill,
  type JobOverview,
  type JobState,
  type JobSummary,
  type LogPage,
  type LogVerdict,
  type LogWanted,
  routes,
  type Shelf,
} from '@nachtigal/contract/api'
import type { Command } from '@nachtigal/core/document/command'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'

/** The server's interface. Commands go through the outbox, which uses `sendCommand`. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '' }),
  tagTypes: ['jobs', 'log', 'shelf', 'backups'],
  endpoints: (build) => ({
    jobs: build.query<JobSummary[], void>({ query: () => routes.jobs, providesTags: ['jobs'] }),
    overview: build.query<JobOverview, string>({
      query: (jobId) => fill(routes.overview, { jobId }),
      providesTags: ['jobs'],
    }),
    job: build.query<JobState, string>({ query: (jobId) => fill(routes.job, { jobId }), keepUnusedDataFor: 0 }),
    openDemo: build.mutation<{ readonly jobId: string }, void>({
      query: () => ({ url: routes.demo, method: 'POST', body: {} }),
      invalidatesTags: ['jobs'],
    }),
    shelf: build.query<Shelf, void>({ query: () => routes.shelf, keepUnusedDataFor: 86_400, providesTags: ['shelf'] }),
    putDevice: build.mutation<ShelfReply, DeviceProfile>({
      query: (profile) => ({ url: fill(routes.shelfDevice, { deviceId: profile.id }), method: 'PUT', body: profile }),
      invalidatesTags: ['shelf'],
    }),
    importDevices: build.mutation<ShelfReply, ShelfFile>({
      query: (file) => ({ url: routes.shelfImport, method: 'POST', body: file }),
      invalidatesTags: ['shelf'],
    }),
    takeOffDevice: build.mutation<void, string>({
      query: (deviceId) => ({ url: fill(routes.shelfDevice, { deviceId }), method: 'DELETE' }),
      invalidatesTags: ['shelf'],
    }),
    log: build.query<LogPage, LogWanted & { jobId: string }>({
      query: ({ jobId, ...wanted }) => ({
        url: fill(routes.log, { jobId }),
        params: Object.fromEntries(Object.entries(wanted).filter(([, value]) => value !== undefined && value !== '')),
      }),
      providesTags: ['log'],
    }),
    logVerdict: build.query<LogVerdict, { jobId: string; from?: number }>({
      query: ({ jobId, from }) => ({
        url: fill(routes.logVerify, { jobId }),
        ...(from === undefined ? {} : { params: { from } }),
      }),
    }),
    backups: build.query<readonly BackupSummary[], void>({ query: () => routes.backups, providesTags: ['backups'] }),
    makeBackup: build.mutation<{ name: string }, void>({
      query: () => ({ url: routes.backups, method: 'POST', body: {} }),
      invalidatesTags: ['backups'],
    }),
    restoreBackup: build.mutation<void, string>({
      query: (name) => ({ url: fill(routes.backup, { name }), method: 'POST', body: {} }),
      invalidatesTags: ['backups', 'jobs', 'log', 'shelf'],
    }),
    jobAt: build.query<JobState, { jobId: string; sequence: number }>({
      query: ({ jobId, sequence }) => fill(routes.at, { jobId, sequence: String(sequence) }),
    }),
    sendCommand: build.mutation<CommandReply, Command>({
      query: (command) => ({ url: fill(routes.commands, { jobId: command.jobId }), method: 'POST', body: command }),
      invalidatesTags: ['jobs', 'log'],
    }),
  }),
})

export const {
  useJobsQuery,
  useOverviewQuery,
  useOpenDemoMutation,
  useShelfQuery,
  useLogQuery,
  useBackupsQuery,
  useMakeBackupMutation,
  useRestoreBackupMutation,
  useJobAtQuery,
  usePutDeviceMutation,
  useImportDevicesMutation,
  useTakeOffDeviceMutation,
} = api
